/** Grips and ties, also those a stretch on the feet is called by; columns as in guards.ts. */
export const grips = `
Collar tie | hand on the neck | standing; clinch | | general | shoulder weight | neck pressed bent
Double collar tie | both hands on the neck | clinch | | general | | neck pressed bent | | Collar tie
Inside tie | inside biceps tie; inside hands | standing; clinch | | general | |
Two on one | russian tie; arm tie | standing; clinch; seated-guard; open-guard | | general | hand gripped | shoulder twisted
Overhook | whizzer grip | clinch; standing; half-guard; closed-guard | | general | shoulder twisted weight | shoulder twisted
Underhook | | clinch; half-guard; standing; side-control | | general | shoulder twisted |
Double underhooks | pummelled inside | clinch; side-control | | general | | ribs pressed; back bent | | Underhook
Over-under clinch | one over, one under | clinch | | general | shoulder twisted | ribs pressed
Body lock, standing | bear hug; body lock | clinch | | fall | back weight; hand gripped | ribs pressed; back bent; belly pressed
Single leg, held | held single leg | clinch; standing | | fall | back weight; neck bent; knee weight | knee twisted weight; hip twisted
Double leg, held | held double leg | clinch; standing | | fall | neck bent; knee weight; back weight | knee weight
High crotch, held | | clinch; standing | | fall | neck bent; back weight | hip bent
Arm drag grip | | standing; clinch; seated-guard | | general | hand gripped | shoulder twisted
Front headlock grip | chin strap | front-headlock; turtle | | neck-and-spine | | neck bent pressed; jaw pressed
Front headlock, standing | | front-headlock | | neck-and-spine | | neck bent pressed; back bent | | Front headlock grip
Snap grip on the head | head held down | standing; clinch; front-headlock | | general | | neck bent
Wrist control | wrist held | standing; clinch; closed-guard; open-guard; seated-guard; turtle | | general | hand gripped | hand gripped
Cross wrist grip | | closed-guard; seated-guard; standing | | general | hand gripped | hand gripped | | Wrist control
Collar grip | lapel grip | standing; open-guard; closed-guard; half-guard; clinch | jacket | general | hand gripped | neck pressed
Cross collar grip | | closed-guard; open-guard; standing | jacket | general | hand gripped | neck pressed | | Collar grip
Sleeve grip | | standing; open-guard; closed-guard; seated-guard | jacket | general | hand gripped |
Collar and sleeve grip | | standing; closed-guard | jacket | general | hand gripped | neck pressed
Belt grip | | closed-guard; half-guard; turtle; standing; deep-half | jacket | general | hand gripped |
Trouser grip | knee grip; pant grip | open-guard; half-guard; knee-shield | jacket | general | hand gripped |
Back-of-the-collar grip | | turtle; closed-guard; rear-clinch | jacket | general | hand gripped | neck pressed
Ankle grip | | open-guard; standing; closed-guard | | general | hand gripped | foot gripped
Crossface | shoulder in the jaw | half-guard; side-control; quarter-guard | | general | | jaw pressed; neck twisted
Seat belt grip | over and under from behind; harness grip | back-seatbelt; back-control; turtle | | general | hand gripped | neck pressed
Kimura grip | figure-four grip; double wrist grip | half-guard; closed-guard; side-control; standing; turtle | | joint | hand gripped | shoulder twisted
Biceps frame | forearm on the biceps | knee-shield; half-guard; open-guard | | general | |
Hand on the head | frame on the forehead; stiff arm | open-guard; seated-guard; standing | | general | shoulder weight | neck bent
Palm-to-palm grip | gable grip | clinch; side-control; open-guard | | general | hand gripped |
`;
