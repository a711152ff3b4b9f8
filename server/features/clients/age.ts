/** Under this age, in years, a guardian approves what is sent; from it on what is a client's is theirs alone. */
export const ageOfConsent = 18;

/** Whether a client is under age. One whose age is not known is taken to be grown. */
export const isMinor = ({ age }: { age: number | null }): boolean => age !== null && age < ageOfConsent;
