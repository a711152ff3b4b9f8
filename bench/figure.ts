/** What one figure says. `value` is in `unit`; further numbers give what it was made from. */
export type Figure = { figure: string; value: number; unit: string } & Record<string, number | string>;
