/** Two instants this close, in seconds, are one: frame times and sums of them are rounded. A hold may be this much short. */
export const clockSlack = 1e-6;
