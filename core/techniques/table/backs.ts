/** Behind them; columns as in guards.ts. */
export const backs = `
Back with two hooks | hooks; back control | back-control | | general | hip bent; knee bent | back pressed; neck pressed
Body triangle | figure-four legs round the body | back-control | | general | knee bent twisted; foot gripped | ribs pressed; belly pressed; back twisted
Back with one hook | one hook | back-seatbelt; back-control | | general | hip bent | neck pressed
Back with an arm trapped | arm trapped by a leg; straitjacket hold | back-control | | joint | knee bent; hip bent | shoulder twisted | | Back with two hooks
Crab ride | crab hooks | back-seatbelt; truck; back-control | | general | hip bent; knee bent; back bent | knee bent
Standing back with hooks | backpack | rear-clinch; back-control | | fall | knee bent; back fallen-on | back weight; neck pressed
Harness on the turtle | seat belt on the turtle; over-under on the turtle | back-seatbelt; turtle | | general | knee weight | neck pressed; back weight
Harness, lying on the side | seat belt without hooks | back-seatbelt | | general | shoulder weight | neck pressed
Rear triangle | triangle from the back | back-control | | neck-and-spine | hip bent; knee bent twisted | neck pressed; shoulder twisted
Rear body lock | waist held from behind | rear-clinch | | fall | back weight; hand gripped | belly pressed; ribs pressed
Rear body lock on the mat | waist ride | turtle; back-seatbelt | | general | knee weight | belly pressed; knee weight
Truck | leg threaded from behind | truck | | neck-and-spine | hip bent; knee twisted | hip twisted; back twisted; knee twisted
Near-side ride | wrist ride; claw ride | turtle; back-seatbelt | | general | knee weight | shoulder twisted
Spiral ride | | turtle | | general | knee weight | hip twisted
Leg ride | one leg in; grapevine ride | turtle; back-seatbelt; truck | | general | knee twisted | hip twisted; knee straightened
Crucifix | | crucifix | | joint | hip bent; knee bent | shoulder twisted straightened; neck bent
Reverse crucifix | crucifix on the turtle | crucifix; turtle | | joint | neck stacked | shoulder twisted; neck bent | | Crucifix
Reverse seat belt | | back-seatbelt; front-headlock | | general | | shoulder twisted; neck pressed
`;
