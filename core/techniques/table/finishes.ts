/** Locks and strangles, each under the broader one it is a way of; columns as in guards.ts. */
export const finishes = `
Triangle | triangle choke; leg triangle | closed-guard; open-guard; mount; side-control; back-control; half-guard | | neck-and-spine | hip bent; knee bent twisted; foot gripped | neck pressed bent; shoulder twisted
Front triangle | triangle from guard | closed-guard; open-guard; k-guard | | neck-and-spine | hip bent; knee bent twisted; back bent | neck pressed bent; shoulder twisted; back stacked | | Triangle
Mounted triangle | | mount | | neck-and-spine | hip bent; knee bent | neck pressed bent; shoulder twisted | | Triangle
Side triangle | triangle from side control | side-control; north-south | | neck-and-spine | hip bent; knee bent | neck pressed bent; shoulder twisted | | Triangle
Rear triangle choke | triangle finish from the back | back-control | | neck-and-spine | hip bent; knee bent twisted | neck pressed; shoulder twisted | | Triangle
Inverted triangle | upside-down triangle | side-control; open-guard | | neck-and-spine | neck bent; knee bent twisted | neck pressed; shoulder twisted | | Triangle
Armlock | armbar; straight armlock; juji gatame | closed-guard; mount; side-control; knee-on-belly; back-control; turtle | | joint | hip bent | elbow straightened; shoulder straightened
Armlock from guard | armbar from guard | closed-guard; open-guard | | joint | hip bent; back bent | elbow straightened; neck pressed; back stacked | | Armlock
Armlock from mount | armbar from mount | mount; three-quarter-mount | | joint | hip bent; knee bent | elbow straightened; jaw pressed | | Armlock
Armlock from the back | armbar from the back | back-control; back-seatbelt; back-mount | | joint | hip bent | elbow straightened | | Armlock
Spinning armlock | spinning armbar | side-control; knee-on-belly | | joint | hip twisted; knee bent | elbow straightened; jaw pressed | | Armlock
Belly-down armlock | | closed-guard; turtle; mount | | joint | hip straightened | elbow straightened; shoulder twisted | | Armlock
Armlock on the turtle | rolling armlock | turtle; crucifix | | joint | neck stacked; shoulder weight | elbow straightened; shoulder twisted | | Armlock
Straight armlock with the legs | armlock from the scarf hold | head-and-arm; side-control | | joint | | elbow straightened | | Armlock
Inverted armlock | shoulder-side armlock; cutting armlock | closed-guard; knee-shield; half-guard; open-guard | | joint | | elbow straightened | | Armlock
Shoulder lock | | side-control; closed-guard; half-guard; mount | | joint | | shoulder twisted
Kimura | bent arm lock; double wrist lock; figure-four arm lock down | closed-guard; half-guard; side-control; north-south; turtle; standing | | joint | hand gripped | shoulder twisted; elbow twisted | | Shoulder lock
Kimura from guard | | closed-guard; open-guard; half-guard | | joint | hand gripped; hip twisted | shoulder twisted | | Kimura
Kimura from side control | | side-control | | joint | hand gripped | shoulder twisted | | Kimura
Kimura from north-south | | north-south | | joint | hand gripped | shoulder twisted | | Kimura
Americana | key lock; bent arm lock upward; figure-four arm lock up | side-control; mount; head-and-arm | | joint | hand gripped | shoulder twisted; elbow twisted | | Shoulder lock
Omoplata | shoulder lock with the legs | closed-guard; open-guard; turtle | | joint | hip bent twisted; knee bent | shoulder twisted; neck bent | | Shoulder lock
Mounted omoplata | monoplata | mount; side-control | | joint | hip twisted; knee bent | shoulder twisted | | Omoplata
Shoulder crunch | overhook shoulder lock | open-guard; seated-guard; half-guard; closed-guard | | joint | | shoulder twisted; elbow straightened | | Shoulder lock
Wrist lock | hand bent at the wrist | mount; side-control; closed-guard; standing; back-control | | joint | | hand bent twisted | u16 b2
Biceps slicer | | closed-guard; side-control; turtle; truck | | joint | knee pressed | elbow pressed bent | u16 b4 | Slicer
Slicer | calf or biceps slicer; slicers | truck; closed-guard; turtle | | joint | | elbow pressed bent; knee pressed bent | u16 b4
Guillotine | guillotine choke; front choke | closed-guard; half-guard; front-headlock; standing; clinch; mount; seated-guard | | neck-and-spine | back bent; hand gripped | neck pressed bent | u13
Arm-in guillotine | | closed-guard; half-guard; front-headlock; clinch | | neck-and-spine | back bent; hand gripped | neck pressed bent; shoulder straightened | u13 | Guillotine
High-elbow guillotine | | closed-guard; seated-guard; front-headlock; half-guard | | neck-and-spine | shoulder twisted; hand gripped | neck pressed bent | u13 | Guillotine
Mounted guillotine | | mount | | neck-and-spine | back bent; hand gripped | neck pressed bent | u13 | Guillotine
Standing guillotine | | standing; clinch; front-headlock | | neck-and-spine | back bent weight | neck pressed bent | u13 | Guillotine
Ten-finger guillotine | | front-headlock; side-control | | neck-and-spine | hand gripped | neck pressed; jaw pressed | u13 | Guillotine
Front-headlock choke | choke from the front headlock | front-headlock; turtle | | neck-and-spine | hand gripped | neck pressed bent
Far-arm front choke | darce; brabo; darce choke | front-headlock; half-guard; turtle; side-control; knee-shield | | neck-and-spine | shoulder weight; hand gripped | neck pressed bent; shoulder twisted | u13 | Front-headlock choke
Arm-in rolling choke | anaconda; anaconda choke | front-headlock; turtle | | neck-and-spine | shoulder weight; ribs twisted | neck pressed bent; shoulder twisted | u13 | Front-headlock choke
Leg-over front choke | peruvian necktie | front-headlock; turtle | | neck-and-spine | hip twisted | neck pressed bent; back bent | u16 | Front-headlock choke
Shoulder-pressure counter choke | von flue choke; counter choke to the guillotine | side-control | | neck-and-spine | shoulder weight | neck pressed
Rear choke | rear naked choke; rnc; choke from the back; hadaka jime | back-control; back-seatbelt; back-mount; rear-clinch; turtle | | neck-and-spine | hand gripped | neck pressed
Short rear choke | palm-to-palm rear choke | back-control; back-seatbelt | | neck-and-spine | hand gripped | neck pressed; jaw pressed | | Rear choke
One-arm rear choke | | back-control | | neck-and-spine | hand gripped | neck pressed | | Rear choke
Arm triangle | head-and-arm choke; arm triangle choke; kata gatame | mount; side-control; head-and-arm; half-guard; back-control | | neck-and-spine | shoulder weight; neck weight | neck pressed bent; shoulder straightened
Arm triangle from mount | | mount; three-quarter-mount | | neck-and-spine | neck weight | neck pressed bent; shoulder straightened | | Arm triangle
Arm triangle from side control | | side-control; head-and-arm | | neck-and-spine | neck weight | neck pressed bent; shoulder straightened | | Arm triangle
Arm triangle from half guard | | half-guard | | neck-and-spine | neck weight | neck pressed bent; shoulder straightened | | Arm triangle
North-south choke | | north-south; side-control | | neck-and-spine | shoulder weight | neck pressed
Choke from under side control | buggy choke | side-control | | neck-and-spine | knee bent twisted; back bent; hip bent | neck pressed; shoulder twisted
Shin choke | gogoplata | closed-guard; mount | | neck-and-spine | knee twisted bent; hip twisted; foot twisted | neck pressed; jaw pressed | u16
Smother | mouth and nose covered | mount; side-control; back-control | | neck-and-spine | | jaw pressed; neck pressed | u16
Crucifix choke | | crucifix | | neck-and-spine | knee bent | neck pressed; shoulder twisted
Step-over choke | leg over the head choke | side-control; north-south; turtle | | neck-and-spine | hip twisted | neck pressed bent
Scarf hold choke | headlock choke | head-and-arm | | neck-and-spine | | neck pressed bent twisted; jaw pressed | u16
Collar choke | lapel choke | closed-guard; mount; side-control; back-control; knee-on-belly; turtle | jacket | neck-and-spine | hand gripped | neck pressed
Cross collar choke | | closed-guard; mount; knee-on-belly | jacket | neck-and-spine | hand gripped | neck pressed | | Collar choke
Sliding collar choke | collar choke from the back | back-control; back-seatbelt | jacket | neck-and-spine | hand gripped | neck pressed | | Collar choke
Bow and arrow choke | | back-control; turtle; back-seatbelt | jacket | neck-and-spine | hand gripped | neck pressed; back bent; hip twisted | | Collar choke
Loop choke | | open-guard; seated-guard; half-guard; turtle | jacket | neck-and-spine | hand gripped | neck pressed bent | | Collar choke
Clock choke | | turtle | jacket | neck-and-spine | hand gripped | neck pressed bent | | Collar choke
Baseball bat choke | | knee-on-belly; side-control; half-guard | jacket | neck-and-spine | hand gripped | neck pressed twisted | | Collar choke
Paper cutter choke | bread cutter choke | side-control; north-south | jacket | neck-and-spine | hand gripped | neck pressed; jaw pressed | | Collar choke
Lapel arm-in choke | far-lapel choke; brabo with the lapel | half-guard; side-control; closed-guard | jacket | neck-and-spine | hand gripped | neck pressed | | Collar choke
Sleeve choke | ezekiel | mount; closed-guard; half-guard; side-control; back-control | jacket | neck-and-spine | hand gripped | neck pressed; jaw pressed | u13
Forearm choke | no-jacket sleeve choke; ezekiel without a jacket | mount; half-guard; closed-guard; side-control | | neck-and-spine | hand gripped | neck pressed; jaw pressed | u13
Neck crank | cervical lock; face crank | back-control; mount; side-control; head-and-arm; front-headlock; crucifix; truck | | neck-and-spine | | neck twisted bent; jaw pressed | all
Can opener | neck pulled in the closed guard | closed-guard | | neck-and-spine | | neck bent | all | Neck crank
Twister | spine lock | truck | | neck-and-spine | hip twisted | neck twisted bent; back twisted | all | Neck crank
Front neck crank | japanese necktie | front-headlock; half-guard; turtle | | neck-and-spine | | neck bent twisted; jaw pressed | all | Neck crank
Leg lock | | leg-entanglement; fifty-fifty; single-leg-x; truck | | knee-and-heel | knee twisted | knee twisted; foot twisted | u16
Straight ankle lock | ankle lock; straight foot lock; achilles lock; foot lock | leg-entanglement; single-leg-x; fifty-fifty; open-guard | | knee-and-heel | back bent; knee twisted | foot straightened gripped; knee straightened | u16 | Leg lock
Belly-down ankle lock | | leg-entanglement; single-leg-x | | knee-and-heel | back bent; hip straightened | foot straightened gripped; knee straightened twisted | u16 | Straight ankle lock
Knee bar | leg bar | leg-entanglement; half-guard; standing; deep-half; knee-shield | | knee-and-heel | hip straightened | knee straightened; hip straightened | u16 b4 | Leg lock
Toe hold | figure-four foot lock | leg-entanglement; fifty-fifty; half-guard; truck; back-control; open-guard | | knee-and-heel | hand gripped | foot twisted straightened; knee twisted | u16 b4 | Leg lock
Twisting leg lock | heel hook; twisting foot lock | leg-entanglement; fifty-fifty; single-leg-x | | knee-and-heel | knee twisted | knee twisted; foot twisted gripped; hip twisted | all | Leg lock
Inside heel hook | twisting leg lock, inside; inverted heel hook | leg-entanglement; fifty-fifty | | knee-and-heel | knee twisted | knee twisted; foot twisted gripped; hip twisted | all | Twisting leg lock
Outside heel hook | twisting leg lock, outside | leg-entanglement; fifty-fifty; single-leg-x | | knee-and-heel | knee twisted | knee twisted; foot twisted gripped; hip twisted | all | Twisting leg lock
Z lock | bent-leg twisting lock | leg-entanglement; truck | | knee-and-heel | | knee twisted bent; hip twisted | all | Twisting leg lock
Calf slicer | | truck; leg-entanglement; half-guard; turtle | | knee-and-heel | knee pressed | knee bent pressed; foot pressed | u16 b4 | Slicer
Groin stretch | banana split; crotch lock | truck; turtle; half-guard | | knee-and-heel | hip bent | hip straightened twisted; knee straightened | u16
Electric chair | crotch lock from the lockdown | half-guard | | knee-and-heel | shoulder weight | hip straightened twisted; knee straightened | u16 | Groin stretch
Boston leg bend | both-leg back bend | turtle; standing | | neck-and-spine | | back bent; hip straightened | u16
Body-triangle squeeze | rib squeeze from the body triangle | back-control; closed-guard | | neck-and-spine | knee twisted bent | ribs pressed; belly pressed | u16
`;
