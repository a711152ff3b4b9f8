/** The two athletes of a bout: the paying one and the other one. */
export const athletes = ['client', 'partner'] as const;
export type Athlete = (typeof athletes)[number];

export const otherAthlete = (athlete: Athlete): Athlete => (athlete === 'client' ? 'partner' : 'client');

/** Runs `of` for both athletes. */
export const forBoth = <T>(of: (athlete: Athlete) => T): Record<Athlete, T> => ({ client: of('client'), partner: of('partner') });
