/** Places from which a guard is passed; columns as in guards.ts. */
export const passingStations = `
Headquarters | leg between the knees | open-guard; half-guard; knee-shield | | general | knee bent weight; back bent |
Combat base | one knee up | closed-guard; open-guard | | general | knee weight bent |
Standing in the closed guard | | closed-guard | | general | back weight; knee weight |
Kneeling in the closed guard | | closed-guard | | general | knee weight bent; back weight |
Standing over the guard | standing, both legs held | open-guard; seated-guard | | general | knee weight; back bent |
Kneeling before the guard | | open-guard; seated-guard; knee-shield | | general | knee weight bent |
Leg drag | leg across the hips | open-guard | | general | knee weight bent | hip twisted; back twisted; knee pressed
Body lock on the guard | body-lock station | open-guard; seated-guard; half-guard | | general | hand gripped; knee weight | ribs pressed; back bent; belly pressed
Over-under | one arm over, one under | open-guard; half-guard | | general | neck bent; shoulder weight | hip pressed; back stacked; belly pressed
Double under | both legs on the shoulders | open-guard | | neck-and-spine | shoulder weight; knee weight | back stacked; neck stacked bent
Stack | stacked on the shoulders | closed-guard; open-guard | | neck-and-spine | knee weight | back stacked; neck stacked bent
Long step | back step; stepped over facing the legs | half-guard; open-guard; knee-shield | | general | hip twisted; knee twisted | knee twisted
Float | floating on the knees | open-guard; seated-guard | | general | knee weight bent; hand weight | ribs pressed
Smash | knees pinned to one side | open-guard; knee-shield; half-guard | | general | knee weight bent | hip twisted pressed; back twisted; knee pressed
Knee-cut station | knee across the thigh; knee slice station | half-guard; open-guard; knee-shield | | general | knee bent weight twisted | hip pressed; knee pressed
Both ankles held | toreando grip | open-guard | | general | back bent; hand gripped |
Low hips on the shins | camping on the shins | open-guard; seated-guard | | general | knee weight bent | knee bent pressed; hip bent
Folded legs | both knees folded under the chest | open-guard; seated-guard | | general | knee weight | knee bent pressed; hip bent pressed
Half guard with crossface and underhook | flattening half guard | half-guard; quarter-guard | | general | knee bent weight | neck twisted pressed; jaw pressed; ribs pressed
Half guard facing the legs | reverse half station | half-guard | | general | hip twisted; knee bent | ribs pressed
Three-point tripod | tripod | open-guard; half-guard | | general | neck pressed; back bent | ribs pressed
Single under | one leg on the shoulder | open-guard; closed-guard | | general | shoulder weight | back stacked; hip bent
`;
