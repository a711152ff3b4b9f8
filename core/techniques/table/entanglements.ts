/** Legs wound round legs; columns as in guards.ts. What is said of the heel is of the one that is attacked. */
export const entanglements = `
Leg entanglement | ashi; leg knot | leg-entanglement | | knee-and-heel | knee twisted; hip twisted |
Outside entanglement | straight ashi; outside ashi | leg-entanglement; single-leg-x | | knee-and-heel | knee twisted | | | Leg entanglement
Outside entanglement, heel out | outside ashi with the heel out | leg-entanglement | | knee-and-heel | knee twisted | | | Outside entanglement
Outside entanglement, heel hidden | | leg-entanglement | | knee-and-heel | knee twisted | | | Outside entanglement
Crossed outside entanglement | outside senkaku; crossed outside ashi | leg-entanglement | | knee-and-heel | knee twisted bent | | | Outside entanglement
Inside entanglement | saddle; honey hole; inside senkaku; cross ashi | leg-entanglement | | knee-and-heel | knee twisted bent | | | Leg entanglement
Inside entanglement, heel out | saddle with the heel out | leg-entanglement | | knee-and-heel | knee twisted bent | | | Inside entanglement
Inside entanglement, heel hidden | saddle with the heel hidden | leg-entanglement | | knee-and-heel | knee twisted bent | | | Inside entanglement
Fifty-fifty, inside heel | fifty-fifty with the inside heel out | fifty-fifty | | knee-and-heel | knee twisted | | | Leg entanglement
Fifty-fifty, outside heel | fifty-fifty with the outside heel out | fifty-fifty | | knee-and-heel | knee twisted | | | Leg entanglement
Fifty-fifty, heels hidden | | fifty-fifty | | knee-and-heel | knee twisted | | | Leg entanglement
Backside fifty-fifty | back-side fifty-fifty; eighty-twenty | fifty-fifty; leg-entanglement | | knee-and-heel | knee twisted | | | Leg entanglement
Double entanglement | both legs entangled; double ashi | leg-entanglement | | knee-and-heel | knee twisted bent | | | Leg entanglement
Reverse entanglement | reverse ashi | leg-entanglement | | knee-and-heel | knee twisted; hip twisted | | | Leg entanglement
Cross entanglement from below | far-leg entanglement; k entry | leg-entanglement; k-guard | | knee-and-heel | back bent; neck bent | | | Leg entanglement
Leg knot on top | standing entanglement | leg-entanglement | | knee-and-heel | knee twisted weight | | | Leg entanglement
Knee reap | reap; leg over the hip line; game over | leg-entanglement; single-leg-x | | knee-and-heel | none | knee twisted pressed | all | Leg entanglement
`;
