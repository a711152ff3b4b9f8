/** What one figure says. `value` is in `unit`; further numbers give what it was made from. */
export type Figure = { figure: string; value: number; unit: string } & Record<string, number | string>;

export const quantile = (values: number[], share: number): number =>
  values.sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!;

/** Says a figure: one JSON line. */
export const say = ({ figure, value, ...rest }: Figure): void =>
  console.log(JSON.stringify({ figure, value: Math.round(value * 1000) / 1000, ...rest }));
