/** Pins from above; columns as in guards.ts. */
export const pins = `
Side control, crossface and underhook | side control; crosside | side-control | | general | knee bent | ribs pressed; jaw pressed; neck twisted
Side control, hips low | side control with the far arm | side-control | | general | knee bent; hip bent | ribs pressed
Side control, double underhooks | | side-control | | general | | ribs pressed; neck pressed
Side control, sat through | reverse side control; switched base | side-control | | general | hip twisted | ribs pressed; belly pressed
Side control, near arm trapped | | side-control | | joint | | shoulder twisted; ribs pressed
Kimura hold | kimura trap; figure-four hold | side-control; north-south; turtle; half-guard | | joint | hand gripped | shoulder twisted
Paper-cutter hold | | side-control | jacket | general | hand gripped | neck pressed
Scarf hold | kesa gatame; head-and-arm scarf | head-and-arm | | neck-and-spine | hip bent | neck bent; ribs pressed; jaw pressed
Broken scarf hold | modified scarf; kuzure kesa | head-and-arm; side-control | | general | hip bent | ribs pressed | | Scarf hold
Reverse scarf hold | ushiro kesa | side-control; north-south; head-and-arm | | general | hip bent | ribs pressed; belly pressed | | Scarf hold
Arm-triangle hold | head-and-arm hold; arm triangle position | side-control; mount; head-and-arm | | neck-and-spine | knee weight | neck pressed bent; shoulder straightened
North-south | | north-south | | general | knee bent | jaw pressed; neck pressed; ribs pressed
North-south, arm trapped | north-south kimura | north-south | | joint | | shoulder twisted; ribs pressed | | North-south
Knee on belly | knee ride | knee-on-belly | | general | knee weight bent; foot weight | belly pressed; ribs pressed
Knee on chest | knee on the ribs | knee-on-belly | | general | knee weight bent | ribs pressed | | Knee on belly
Reverse knee on belly | | knee-on-belly | | general | knee weight bent | belly pressed | | Knee on belly
Low mount | chest-to-chest mount | mount | | general | knee bent weight; hip bent | belly pressed; ribs pressed; jaw pressed
High mount | knees in the armpits | mount | | general | knee bent weight | ribs pressed; shoulder pressed
Grapevined mount | grapevines | mount | | general | knee twisted; hip bent | knee straightened twisted; hip straightened | | Low mount
S-mount | | mount | | joint | hip twisted; knee twisted bent | shoulder pressed; ribs pressed
Technical mount | sidesaddle mount; mount on the side | mount; three-quarter-mount | | general | knee weight bent | ribs pressed; neck twisted
Gift wrap | arm round the own neck | mount; back-control; side-control | | joint | hand gripped | shoulder twisted; neck twisted
Mount with the arm across | | mount | | joint | | shoulder twisted
Three-quarter mount, ankle trapped | three-quarter mount | three-quarter-mount; quarter-guard | | general | foot twisted gripped; knee bent | ribs pressed
Back mount, flattened | face-down back mount; flat back mount | back-mount | | neck-and-spine | knee bent | back pressed straightened; neck twisted; ribs pressed; belly pressed
Leg ride from side control | one leg threaded | side-control; turtle | | general | knee twisted | hip twisted; back twisted
Smother hold | face covered by the chest | mount; side-control; north-south | | general | | jaw pressed; neck pressed
Mounted triangle hold | | mount | | neck-and-spine | hip bent; knee bent | neck pressed; shoulder twisted
Mounted crucifix | side crucifix | crucifix; side-control | | joint | knee bent | shoulder twisted straightened; neck bent
Turtle, tight | closed turtle | turtle | | general | knee weight | back pressed; neck bent
Turtle, front control | front of the turtle | turtle; front-headlock | | general | | neck bent; shoulder weight
Cradle | knee and head locked together | turtle; side-control | | neck-and-spine | hand gripped | back bent twisted; neck bent
`;
