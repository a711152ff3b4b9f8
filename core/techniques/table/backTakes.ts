/** Ways to the back; columns as in guards.ts. */
export const backTakes = `
Rolling back take from the outside hook | berimbolo | open-guard | | neck-and-spine | neck stacked bent; back bent; shoulder weight | hip twisted
Arm drag to the back | | seated-guard; open-guard; closed-guard; clinch; standing | | general | | shoulder twisted
Seat belt and drop | hip drop from the turtle | turtle; back-seatbelt | | general | hip fallen-on; shoulder weight | neck pressed; back twisted
Rolling back take from the turtle | | turtle | | general | shoulder weight; neck bent | back twisted; hip twisted
Chair sit | sitting behind the turtle | turtle; side-control | | general | hip bent | back twisted
Crab-ride entry | | open-guard; turtle; seated-guard | | general | hip bent; back bent | knee bent
Leg-drag back take | | open-guard | | general | knee weight | hip twisted; back twisted
Truck roll | rolling into the truck | turtle; half-guard | | neck-and-spine | shoulder weight; neck stacked | hip twisted; knee twisted
Gift-wrap back take | | mount; side-control | | joint | hand gripped | shoulder twisted; neck twisted
Mount to the back | following the turn in mount | mount; three-quarter-mount | | general | knee bent; hip bent | neck pressed
Knee-on-belly to the back | | knee-on-belly; side-control | | general | knee weight |
Kimura back take | | turtle; half-guard; side-control | | joint | hand gripped | shoulder twisted
Back take from half guard | underhook to the back | half-guard; deep-half; knee-shield | | general | shoulder twisted; hip bent |
Back take from under the leg | | x-guard; single-leg-x; k-guard; deep-half | | general | hip bent; knee twisted | knee twisted
Front headlock to the back | | front-headlock; turtle | | general | knee weight | neck bent
Back take from the pass | going behind as they turn away | open-guard; half-guard; knee-shield | | general | knee weight | back twisted
`;
