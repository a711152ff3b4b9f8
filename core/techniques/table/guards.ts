/** name | other names | position codes | attire | caution | asks of who does it | asks of the other | usually kept from | broader entry */
export const guards = `
Closed guard | full guard | closed-guard | | general | hip bent; knee bent; back stacked |
High closed guard | high guard; climbing guard | closed-guard | | general | hip bent; back stacked bent; neck bent | | | Closed guard
Closed guard with an overhook | overhook guard | closed-guard | | general | hip bent; back stacked | | | Closed guard
Closed guard with both wrists | two-on-one closed guard | closed-guard | | general | hip bent; hand gripped | | | Closed guard
Shin-over guard | rubber guard; mission control | closed-guard | | general | hip twisted bent; knee twisted bent; hand gripped | | | Closed guard
Feet-on-hips guard | feet on the hips | open-guard | | general | hip bent; knee bent |
Outside-hook guard | de la riva; dlr | open-guard | | general | knee twisted; foot gripped; hip twisted |
Reverse outside-hook guard | reverse de la riva; rdlr | open-guard | | general | knee twisted; hip twisted; back bent |
Spider guard | spider; feet on the biceps | open-guard | jacket | general | hand gripped; hip bent | elbow pressed
Lasso guard | lasso; foot round the arm | open-guard | jacket | general | hand gripped; knee bent | shoulder twisted; elbow twisted
Spider and lasso | lasso-spider | open-guard | jacket | general | hand gripped; knee bent | shoulder twisted | | Lasso guard
Collar and sleeve guard | collar-sleeve; collar and sleeve | open-guard | jacket | general | hand gripped; hip bent |
Single-leg X | single-leg cross guard; slx | single-leg-x | | general | knee twisted; hip bent | knee twisted
X guard | cross guard; cross-guard hooks | x-guard | | general | hip bent; knee bent; back bent |
Reverse X guard | reverse cross guard | x-guard | | general | hip bent; knee twisted | | | X guard
K guard | far-leg hook guard | k-guard | | general | hip twisted bent; knee twisted; back bent; neck bent |
Butterfly guard | two-hook guard; butterfly hooks | open-guard; seated-guard | | general | hip bent; knee bent |
Half butterfly | one-hook half guard | half-guard; open-guard | | general | hip bent; knee bent |
Shin to shin | shin-on-shin guard | seated-guard; open-guard | | general | knee bent twisted; hip bent |
Sit-up guard | seated guard round the leg | seated-guard; open-guard | | general | hip bent; hand gripped |
Seated guard without hooks | open seated guard | seated-guard | | general | hip bent; hand weight |
Two-on-one seated guard | seated arm control | seated-guard | | general | hand gripped | shoulder pressed
Lapel guard | lapel hook guard | open-guard | jacket | general | hand gripped; hip bent |
Lapel round the leg | worm guard | open-guard | jacket | general | hand gripped; knee twisted | knee twisted | | Lapel guard
Lapel lasso | | open-guard | jacket | general | hand gripped | shoulder twisted | | Lapel guard
Inverted guard | upside-down guard | open-guard | | neck-and-spine | neck stacked bent; back stacked bent; shoulder weight | none
Clamp guard | arm clamp | open-guard; closed-guard | | joint | hip bent; knee bent | shoulder twisted; elbow straightened
Half guard with an underhook | underhook half guard | half-guard | | general | shoulder twisted; hip bent |
Flat half guard | flattened half guard | half-guard | | general | ribs pressed; neck pressed; back pressed |
Lockdown | crossed-leg half guard | half-guard | | general | knee bent twisted; ribs pressed | knee straightened; foot twisted
Dogfight | kneeling half guard | half-guard | | general | knee weight bent; shoulder twisted weight |
Reverse half guard | half guard with the back turned | half-guard | | general | hip bent; knee twisted |
Half guard with the leg outside | coyote half guard; outside half guard | half-guard | | general | hip bent; knee bent |
Reach-round guard | octopus guard | half-guard; seated-guard | | general | ribs twisted; shoulder weight |
Knee-shield half guard | z guard; knee shield | knee-shield | | general | knee bent pressed; hip bent |
High knee shield | shin across the chest | knee-shield | | general | knee bent pressed; hip bent | ribs pressed | | Knee-shield half guard
Low knee shield | shin across the hip | knee-shield | | general | knee bent pressed | | | Knee-shield half guard
Deep half guard | deep half | deep-half | | general | shoulder weight; neck bent; ribs pressed |
Waiter guard | leg held overhead | deep-half; x-guard | | general | shoulder weight; knee bent | knee straightened; hip straightened
Quarter guard | foot trap half guard | quarter-guard | | general | knee bent; ribs pressed |
`;
