import { afterAll, beforeAll } from 'vitest';
import { createApp, type OpenApp } from '../app.ts';
import { movePeopleIn } from './people.ts';
import { openTestHouse, type TestHouse } from './testHouse.ts';
import { visit, type Visitor } from './visitor.ts';

/** Something that is there once the tests run; until then there is only its name. */
function later<T extends object>(): { there: T; become: (thing: T) => void } {
  const held: { thing: T | null } = { thing: null };
  const it = (): T => {
    if (!held.thing) throw new Error('The house is not open yet: use it inside a test or a hook.');
    return held.thing;
  };
  const there = new Proxy({} as T, {
    get: (_, key) => Reflect.get(it(), key) as unknown,
    set: (_, key, value) => Reflect.set(it(), key, value),
    has: (_, key) => Reflect.has(it(), key),
    ownKeys: () => Reflect.ownKeys(it()),
    getOwnPropertyDescriptor: (_, key) => ({ ...Reflect.getOwnPropertyDescriptor(it(), key), configurable: true }),
  });
  return { there, become: (thing) => (held.thing = thing) };
}

/**
 * A house with its people in it and the web server's app over it, open from before the tests of a file until after them; and each of
 * those who are named, signed in ("coach", "assistant", "client", "other", "guardian").
 */
export function peopledHouse<Who extends string = never>(...who: Who[]): { house: TestHouse; open: OpenApp } & Record<Who, Visitor> {
  const [house, open] = [later<TestHouse>(), later<OpenApp>()];
  const visitors = who.map((one) => [one, later<Visitor>()] as const);
  beforeAll(async () => {
    const opened = await openTestHouse();
    house.become(opened);
    await movePeopleIn(opened);
    const app = createApp(opened);
    open.become(app);
    await Promise.all(visitors.map(async ([one, { become }]) => become(await visit(app.app, one))));
  });
  afterAll(async () => {
    open.there.close();
    await house.there.close();
  });
  const signedIn = Object.fromEntries(visitors.map(([one, { there }]) => [one, there])) as Record<Who, Visitor>;
  return { house: house.there, open: open.there, ...signedIn };
}
