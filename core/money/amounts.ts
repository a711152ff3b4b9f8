/**
 * An amount of money as a text with two decimals, such as "45.00" or "-12.50". It is reckoned with in whole cents, so that nothing is
 * ever rounded: no binary fraction stands for a tenth.
 */
export type Amount = string;

const written = /^-?\d+\.\d{2}$/;

/** An amount in whole cents. Throws a RangeError for a text that is none. */
export function centsOf(amount: Amount): bigint {
  if (!written.test(amount)) throw new RangeError(`“${amount}” is no amount with two decimals.`);
  return BigInt(amount.replace('.', ''));
}

/** Whole cents as an amount. */
export function amountOf(cents: bigint): Amount {
  const digits = (cents < 0n ? -cents : cents).toString().padStart(3, '0');
  return `${cents < 0n ? '-' : ''}${digits.slice(0, -2)}.${digits.slice(-2)}`;
}

/** The sum of amounts, to the cent; "0.00" of none. */
export const sumOf = (amounts: Iterable<Amount>): Amount => {
  let sum = 0n;
  for (const amount of amounts) sum += centsOf(amount);
  return amountOf(sum);
};

/** The same amount the other way round: what was owed is given back. */
export const negated = (amount: Amount): Amount => amountOf(-centsOf(amount));
