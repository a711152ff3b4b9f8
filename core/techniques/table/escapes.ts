/** Out from under, out of a hold; columns as in guards.ts. */
export const escapes = `
Bridge and roll | upa; bridging over a trapped arm | mount; head-and-arm; side-control | | general | neck bent weight; back bent weight | shoulder fallen-on; hand fallen-on
Elbow-knee escape | hip escape; shrimp escape | mount; side-control; three-quarter-mount | | general | hip twisted; back twisted; knee bent |
Heel-drag escape | leg hook escape | mount; three-quarter-mount | | general | knee bent twisted; hip twisted | foot gripped
Kipping escape | hips thrown between | mount; side-control | | general | back straightened; hip bent |
Frame and reguard | knee back in | side-control; north-south; knee-on-belly | | general | hip bent twisted; knee bent; shoulder weight | neck pressed
Underhook to the knees | underhook escape; getting to the knees | side-control; half-guard | | general | shoulder twisted weight; knee weight |
Turning away to the turtle | | side-control; open-guard; half-guard | | general | shoulder weight; knee weight; back twisted |
Running escape | running out of side control | side-control | | general | back twisted; neck bent |
Scarf hold bridge | rolling over from the scarf hold | head-and-arm | | neck-and-spine | neck bent twisted; back bent | shoulder fallen-on
Scarf hold hip-out | leg hook from the scarf hold | head-and-arm | | general | hip twisted; neck bent |
North-south spin-out | | north-south | | general | neck bent; shoulder twisted |
Push the knee and turn in | knee-on-belly escape | knee-on-belly | | general | hand weight; hip twisted | knee pressed
Back escape, shoulders to the mat | hips out, shoulders down | back-control; back-seatbelt | | general | neck bent pressed; hip twisted |
Stepping over the hook on the back | clearing a hook | back-control; back-mount | | general | hip twisted; knee bent | foot gripped; knee twisted
Opening the body triangle | | back-control | | knee-and-heel | hip straightened; back twisted | foot twisted; knee pressed
Two hands on one | hand fight on the back | back-control; back-seatbelt | | general | hand gripped; neck pressed | hand gripped
Sit-out | | turtle; back-seatbelt; front-headlock | | general | hip twisted; hand weight |
Shoulder roll from the turtle | granby roll | turtle; side-control; open-guard | | neck-and-spine | neck stacked bent; shoulder weight; back bent |
Standing up from the turtle | | turtle; back-seatbelt | | general | knee weight; back weight | back fallen-on
Rolling to guard from the turtle | | turtle; front-headlock | | general | shoulder weight; neck bent |
Head out of the front headlock | | front-headlock | | neck-and-spine | neck bent twisted |
Crucifix roll-out | | crucifix | | joint | shoulder twisted; neck bent |
Truck exit | | truck | | knee-and-heel | hip twisted; knee twisted |
Thumb-side turn out of the armlock | hitchhiker escape | closed-guard; mount; side-control | | joint | elbow straightened; shoulder twisted; neck bent |
Stacking out of the armlock | | closed-guard; mount | | joint | elbow straightened; knee weight | back stacked; neck stacked
Elbow through | pulling the elbow out of the armlock | closed-guard; mount; back-control | | joint | elbow straightened |
Posture out of the triangle | | closed-guard; open-guard | | neck-and-spine | neck bent; back weight | back stacked
Turning the corner in the triangle | | closed-guard; open-guard | | neck-and-spine | neck bent twisted | back stacked; neck stacked
Kimura defence | hiding the hand; holding the own belt | side-control; half-guard; closed-guard; north-south | | joint | shoulder twisted; hand gripped |
Rolling out of the shoulder lock | omoplata roll | closed-guard; open-guard; turtle | | joint | shoulder twisted; neck stacked |
Standing tall in the omoplata | | closed-guard; open-guard | | joint | shoulder twisted; back weight |
Guillotine defence, far side | shoulder over, walk to the far side | closed-guard; half-guard; front-headlock; clinch | | neck-and-spine | neck bent pressed; shoulder weight | neck pressed
Guillotine defence, hand fight | two hands on one wrist in the guillotine | closed-guard; front-headlock; clinch | | neck-and-spine | neck bent; hand gripped | hand gripped
Arm-triangle defence | answering the telephone | head-and-arm; mount; side-control | | neck-and-spine | neck bent; shoulder straightened |
Clearing the knee line | pulling the knee free | leg-entanglement; fifty-fifty; single-leg-x | | knee-and-heel | knee twisted straightened; foot gripped |
Foot through | boot on; ankle-lock defence by the foot | leg-entanglement; single-leg-x; fifty-fifty | | knee-and-heel | foot straightened gripped; knee straightened |
Hiding the heel | heel slip | leg-entanglement; fifty-fifty | | knee-and-heel | foot twisted gripped; knee twisted |
Second leg in the way | | leg-entanglement; fifty-fifty; single-leg-x | | knee-and-heel | knee bent; hip twisted |
Standing out of the entanglement | | leg-entanglement; single-leg-x; fifty-fifty | | knee-and-heel | knee weight twisted; foot twisted |
Foot off the hip | clearing the foot from the hip | leg-entanglement; single-leg-x; open-guard | | general | hand gripped | foot gripped
`;
