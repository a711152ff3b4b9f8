/** Passing a guard, and opening it; columns as in guards.ts. */
export const passes = `
Knee cut | knee slice; knee-through pass | half-guard; open-guard; knee-shield; closed-guard | | general | knee bent weight twisted; hip bent | hip pressed; knee pressed twisted
Knee cut with the underhook | | half-guard; knee-shield; open-guard | | general | knee bent weight; shoulder twisted | hip pressed; knee pressed; ribs pressed | | Knee cut
Knee cut with the crossface | | half-guard; open-guard | | general | knee bent weight | jaw pressed; neck twisted; hip pressed; knee pressed | | Knee cut
Back-step pass | long-step pass; step-over pass | half-guard; open-guard; knee-shield | | general | hip twisted; knee twisted | knee twisted; ribs pressed
Leg drag pass | | open-guard; knee-shield | | general | knee weight | hip twisted; back twisted; knee pressed
Bullfighter pass | toreando; toreo | open-guard; seated-guard | | general | back bent; hand gripped | hip twisted
Cross pass | x pass | open-guard; half-guard | | general | knee weight | knee straightened
Over-under pass | | open-guard; half-guard; closed-guard | | general | neck bent pressed; shoulder weight | hip pressed; back stacked; belly pressed
Double-under pass | double unders | open-guard; closed-guard | | neck-and-spine | shoulder weight; back weight | back stacked bent; neck stacked bent
Stack pass | | closed-guard; open-guard | | neck-and-spine | knee weight; shoulder weight | back stacked bent; neck stacked bent | | Double-under pass
Single-under pass | | closed-guard; open-guard | | general | shoulder weight; neck bent | back stacked; hip bent
Body-lock pass | | open-guard; seated-guard; half-guard | | general | hand gripped; knee weight | ribs pressed; belly pressed; back bent
Float pass | floating pass | open-guard; seated-guard | | general | knee weight bent; hand weight | ribs pressed; hip pressed
Smash pass | knees pinned pass | open-guard; knee-shield; half-guard | | general | knee weight | hip twisted pressed; back twisted; knee pressed
Leg weave | arm woven through the legs | open-guard; knee-shield; half-guard | | general | shoulder weight | knee pressed; hip twisted
Folding pass | | open-guard; seated-guard | | general | knee weight | hip bent pressed; back bent; knee bent
Low pass on the shins | camping pass | open-guard; seated-guard | | general | knee weight bent | knee bent pressed
Hip-switch pass | | half-guard | | general | hip twisted; knee twisted | ribs pressed; neck pressed
Crossface half pass | shoulder-pressure pass | half-guard; quarter-guard | | general | knee bent | jaw pressed; neck twisted; ribs pressed
Underhook half pass | | half-guard | | general | shoulder twisted; knee bent | ribs pressed
Tripod pass | | half-guard; open-guard | | general | neck pressed; back bent | ribs pressed; knee straightened
Pass to mount | | half-guard; open-guard | | general | knee bent weight | hip pressed; belly pressed
Reverse half pass | | half-guard | | general | hip twisted; knee twisted | ribs pressed; knee twisted
Cartwheel pass | | open-guard; half-guard; seated-guard | | fall | hand weight; shoulder weight; neck fallen-on |
Over-the-top pass | jumping pass | open-guard; seated-guard; knee-shield | | fall | shoulder fallen-on; hand weight | ribs fallen-on
North-south pass | walk round the head | open-guard; half-guard | | general | | neck pressed; jaw pressed
Leg pin pass | knee on the thigh; shin pin | open-guard; seated-guard; half-guard | | general | knee weight | knee pressed; hip pressed
Standing opening | opening the closed guard standing | closed-guard | | general | back weight; knee weight | hip straightened
Kneeling opening | opening the closed guard on the knees; log splitter | closed-guard | | general | knee weight bent; back bent | hip pressed
Unwinding the lasso | | open-guard | jacket | general | hand gripped; shoulder twisted | knee bent
Stripping the grips | grip break | open-guard; closed-guard; seated-guard; standing | | general | hand gripped | hand gripped
Stepping over the hook | clearing the outside hook | open-guard; x-guard; single-leg-x | | general | knee twisted; foot twisted | knee twisted
Deep-half step-over | | deep-half | | general | hip twisted; knee twisted | shoulder twisted; neck bent
Butterfly hook kill | pinning the hook | open-guard; seated-guard | | general | knee weight | hip bent; knee bent pressed
Backing out of the hooks | | x-guard; single-leg-x; k-guard | | general | knee twisted; foot twisted | knee twisted
`;
