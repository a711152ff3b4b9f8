/** Taking down, and answers to it; columns as in guards.ts. */
export const takedowns = `
Takedown | throw | standing; clinch; front-headlock; rear-clinch | | fall | knee weight; shoulder weight |
Single leg takedown | single leg; head-inside single | standing; clinch; seated-guard | | fall | knee weight; neck bent; back weight | knee twisted fallen-on; hip twisted | | Takedown
Head-outside single leg | | standing; clinch | | fall | neck bent; knee weight | knee twisted | | Single leg takedown
Low single leg | | standing; seated-guard | | fall | knee weight; shoulder weight | knee straightened pressed; foot twisted | | Single leg takedown
High crotch | | standing; clinch | | fall | neck bent; back weight; knee weight | | | Takedown
Double leg takedown | double leg; blast double | standing; clinch | | fall | neck bent; knee weight; back weight | | | Takedown
Ankle pick | heel pick | standing; clinch; seated-guard | | fall | knee weight | foot gripped; knee fallen-on | | Takedown
Knee tap | knee pick | clinch; standing | | fall | knee weight | knee twisted | | Takedown
Snap-down | | standing; clinch | | general | | neck bent; hand weight; knee fallen-on | | Takedown
Go-behind | spin behind | front-headlock; clinch; turtle | | general | knee weight | | | Takedown
Arm drag takedown | arm drag to the legs | standing; clinch; seated-guard | | fall | | shoulder twisted | | Takedown
Duck-under | | clinch; standing | | fall | neck bent; knee weight | | | Takedown
Fireman’s carry | shoulder carry | clinch; standing | | fall | neck weight; back weight; knee weight | | | Takedown
Body-lock takedown | bear-hug takedown | clinch | | fall | back weight | back bent fallen-on; knee twisted | | Takedown
Mat return | lifted and put down from behind | rear-clinch; turtle | | fall | back weight; knee weight | shoulder fallen-on; hand fallen-on; knee fallen-on | | Takedown
Back arch throw | suplex | rear-clinch; clinch | | fall | back bent weight; neck fallen-on stacked | neck fallen-on stacked; shoulder fallen-on; head fallen-on | u16 b3 | Takedown
Lateral drop | | clinch | | fall | back bent; shoulder fallen-on | back fallen-on; ribs fallen-on pressed | | Takedown
Hip throw | hip toss | clinch; standing | | fall | back weight twisted; knee weight | back fallen-on; ribs fallen-on | | Takedown
Shoulder throw | drop shoulder throw | standing; clinch | | fall | knee weight fallen-on; shoulder weight; back bent | back fallen-on; elbow straightened | | Takedown
Head-and-arm throw | headlock throw | clinch; standing | | fall | back twisted | neck bent twisted; ribs fallen-on pressed | | Takedown
Inner-thigh throw | | clinch; standing | | fall | hip weight; knee weight; head fallen-on; neck fallen-on | back fallen-on; hip twisted | | Takedown
Outside reap | outside leg reap | standing; clinch | | fall | knee weight | back fallen-on; head fallen-on; knee twisted | | Takedown
Inside trip | inner reap; inside leg hook | clinch; standing | | fall | knee weight twisted | back fallen-on; knee twisted | | Takedown
Outside trip | leg-hook trip | clinch; rear-clinch | | fall | knee twisted | knee twisted; back fallen-on | | Takedown
Foot sweep | ankle sweep | standing; clinch | | fall | foot pressed | foot pressed; hip fallen-on | | Takedown
Sacrifice throw | overhead throw | standing; clinch | | fall | back fallen-on; hip bent | back fallen-on; head fallen-on | | Takedown
Hook sacrifice throw | hook throw to the rear | clinch; front-headlock | | fall | back fallen-on; knee bent | shoulder fallen-on; back fallen-on | | Takedown
Side sacrifice | side drop | rear-clinch; clinch | | fall | hip fallen-on | knee twisted pressed; foot twisted | | Takedown
Sitting back on the far leg | valley drop | clinch; rear-clinch | | fall | hip fallen-on | knee twisted pressed; back fallen-on | u16 | Takedown
Collar drag | | standing; seated-guard; open-guard | jacket | fall | hand gripped; hip fallen-on | neck bent; hand fallen-on | | Takedown
Scissor takedown | flying scissors | standing; clinch | | fall | hip fallen-on | knee twisted pressed straightened; back fallen-on | all | Takedown
Slam | lifted and thrown down from a hold | closed-guard; standing; clinch | | fall | back weight | neck stacked fallen-on; head fallen-on; back fallen-on | all | Takedown
Guard pull | pulling guard; sitting to guard | standing; clinch | | general | hip fallen-on; back bent | knee weight
Jumping guard | jumping to closed guard; jumped guard | standing; clinch | | fall | hip bent; back fallen-on | knee weight twisted straightened; back weight | u16 b2 | Guard pull
Flying attack | jumped armlock; jumped triangle | standing; clinch | | fall | back fallen-on; neck fallen-on | knee weight; elbow straightened; neck pressed | u16 b3
Rolling leg entry | imanari roll | standing; clinch | | knee-and-heel | neck stacked; shoulder fallen-on | knee twisted; foot twisted | u18 b4
Sprawl | hips back and down | standing; clinch; front-headlock | | fall | hip bent; back straightened; knee fallen-on | neck pressed; back weight
Overhook defence | whizzer | clinch; rear-clinch | | general | shoulder twisted weight | shoulder twisted
Crossface defence | crossface against the leg shot | clinch; front-headlock | | neck-and-spine | | neck twisted; jaw pressed
Hand fight and turn in | breaking the rear body lock | rear-clinch | | general | hand gripped | hand gripped
Sit-through | | turtle; front-headlock; rear-clinch | | general | hip twisted; hand weight |
Limp-leg escape | leg pulled out of the single | clinch; standing | | general | knee twisted; hip twisted |
Standing up to base | technical stand-up | seated-guard; open-guard; both-seated | | general | hand weight; knee weight |
`;
