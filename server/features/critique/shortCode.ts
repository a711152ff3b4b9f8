/** The code of a short link, from an id nobody else has: eight letters and digits without 0 and 1, which are mistaken for others. */
export const shortCodeOf = (id: string): string => id.replaceAll('-', '').slice(-8).replaceAll('0', 'g').replaceAll('1', 'h');
