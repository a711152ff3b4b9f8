import type { Operation } from '@lean-mentor/contract';
import type { House } from '../house/house.ts';
import { route, type Handler, type Route } from './route.ts';

/** What answers a room's operations, by their names: one that is forgotten, or that no operation is called after, is a type error. */
export type Handlers<Operations> = {
  [Name in keyof Operations]: Operations[Name] extends Operation ? Handler<Operations[Name]> : never;
};

/** The routes of a room's operations, each answered by the handler of its name. */
export const serveRoom = <const Operations extends Record<string, Operation>>(
  house: House,
  operations: Operations,
  handlers: Handlers<Operations>,
): Route[] =>
  Object.entries(operations).map(([name, operation]) => route(house, operation, handlers[name as keyof Operations] as Handler<Operation>));
