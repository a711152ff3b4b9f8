/** From below to above; columns as in guards.ts. */
export const sweeps = `
Scissor sweep | | closed-guard; open-guard | | general | hip twisted; knee bent | knee pressed
Hip bump sweep | sit-up sweep | closed-guard | | general | hand weight; hip straightened | shoulder fallen-on
Pendulum sweep | flower sweep | closed-guard | | general | hip bent; back bent | shoulder fallen-on
Double-ankle sweep | both ankles; lumberjack sweep | closed-guard; open-guard | | fall | hip straightened | back fallen-on; head fallen-on
Overhead sweep | balloon sweep | open-guard; closed-guard | | fall | hip bent; back stacked | shoulder fallen-on; neck fallen-on
Tripod sweep | | open-guard | | fall | knee pressed | back fallen-on; hand fallen-on
Sickle sweep | | open-guard | | fall | knee pressed | back fallen-on; knee pressed
Butterfly hook sweep | hook sweep | open-guard; seated-guard | | general | knee bent; hip bent; shoulder weight | shoulder fallen-on; hand fallen-on
Hook and overhook sweep | | open-guard; seated-guard; half-guard | | general | knee bent; shoulder weight | shoulder twisted fallen-on | | Butterfly hook sweep
Half butterfly lift | | half-guard; open-guard | | general | knee bent weight; hip bent | | | Butterfly hook sweep
Elevator sweep | | half-guard; open-guard | | general | knee weight; hip bent |
Underhook half sweep | old school sweep; knee-grab half sweep | half-guard | | general | shoulder twisted weight; knee weight | knee twisted
Dogfight roll | roll under from the dogfight | half-guard | | fall | neck stacked; shoulder weight | shoulder twisted fallen-on
Deep-half roll | deep-half sweep | deep-half | | general | shoulder weight; neck bent | hip twisted
Waiter sweep | | deep-half; x-guard; half-guard | | general | shoulder weight; knee weight | knee straightened; hip straightened
X-guard stand-up | standing up from the x guard | x-guard | | fall | back weight; knee weight | knee twisted; hip fallen-on
X-guard tip | | x-guard | | fall | knee straightened weight | hip fallen-on; hand fallen-on
Single-leg-X tip | tipping over from single-leg x | single-leg-x | | fall | knee weight; hip straightened | knee twisted; back fallen-on
Outside-hook sweep | de la riva sweep | open-guard | | fall | knee twisted; hip bent | knee twisted; back fallen-on
Reverse outside-hook roll-under | kiss of the dragon | open-guard | | neck-and-spine | neck stacked bent; back bent | knee twisted
Lasso sweep | | open-guard | jacket | general | hand gripped; hip bent | shoulder twisted fallen-on
Spider sweep | tip over by sleeve and foot | open-guard | jacket | general | hand gripped; knee straightened | elbow straightened; shoulder fallen-on
Collar-drag sweep | | open-guard; seated-guard | jacket | fall | hand gripped | neck bent; hand fallen-on
Lapel sweep | | open-guard; half-guard | jacket | general | hand gripped | knee twisted
Shin-to-shin lift | | seated-guard; open-guard | | general | knee weight; hip bent | knee twisted
Sit-up single leg | coming up on the leg; wrestle-up | seated-guard; open-guard; half-guard | | fall | knee weight; neck bent | knee twisted
Stand-up to base | getting up from guard | seated-guard; open-guard; half-guard; turtle | | general | hand weight; knee weight |
Kimura sweep | | closed-guard; half-guard; seated-guard | | joint | hand gripped | shoulder twisted fallen-on
Overhook sweep | | closed-guard; half-guard | | general | shoulder twisted | shoulder twisted
Omoplata sweep | | closed-guard; open-guard | | joint | hip bent; knee bent | shoulder twisted fallen-on
Armlock sweep | sweep off the armlock | closed-guard | | joint | hip bent | elbow straightened
Lockdown sweep | whip-up; electric chair sweep | half-guard | | knee-and-heel | shoulder weight | knee straightened; hip straightened
Knee-shield sweep | knee lever | knee-shield | | general | knee pressed weight | knee pressed; shoulder fallen-on
Fifty-fifty come-up | coming up from fifty-fifty | fifty-fifty | | knee-and-heel | knee twisted weight; hand weight | knee twisted
Entanglement come-up | coming up from the legs | leg-entanglement | | knee-and-heel | knee twisted weight | knee twisted
Trap and roll on the knee shield | | knee-shield; half-guard | | general | |
`;
