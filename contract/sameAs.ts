import type { z } from 'zod';

/** A type with what says nothing of its shape taken off: `readonly`, interfaces that were put together, and what a number counts. */
type Bare<T> = T extends (...given: never[]) => unknown
  ? T
  : T extends number
    ? number extends T
      ? number
      : T
    : T extends object
      ? { -readonly [Key in keyof T]: Bare<T[Key]> }
      : T;
/** Whether two types are one and the same, optional fields included; assignable both ways is not enough for that. */
type Identical<A, B> = (<T>() => T extends A ? 1 : 2) extends <T>() => T extends B ? 1 : 2 ? true : false;

/**
 * Holds a schema to the type of core that it reads: a field that only one of them has, or that they see differently, does not compile.
 * Otherwise a field that core gained would pass every check and be stripped on the wire.
 */
export const sameAs =
  <Type>() =>
  <Schema extends z.ZodType>(
    schema: Identical<Bare<z.output<Schema>>, Bare<Type>> extends true
      ? Schema
      : { schemaGives: Bare<z.output<Schema>>; coreSays: Bare<Type> },
  ): Schema =>
    schema as Schema;
