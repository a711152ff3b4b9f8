import type { Operation, ResponseOf, Subject } from '@lean-mentor/contract';
import type { BaseQueryFn, EndpointBuilder } from '@reduxjs/toolkit/query';
import { callOf, type ArgumentOf, type WireCall, type WireFault } from './wire.ts';

type Build = EndpointBuilder<BaseQueryFn<WireCall, unknown, WireFault>, Subject, 'api'>;

/** The endpoint of an operation that reads: its answer stays until an operation changes what it is about. */
export const queryOf = <O extends Operation>(build: Build, operation: O, more: { keepUnusedDataFor?: number } = {}) =>
  build.query<ResponseOf<O>, ArgumentOf<O>>({
    query: (argument) => callOf(operation, argument),
    providesTags: [...(operation.about ?? [])],
    ...more,
  });

type Mutation<O extends Operation> = Parameters<typeof mutation<ResponseOf<O>, ArgumentOf<O>>>[1];
const mutation = <Answer, Argument>(build: Build, how: Parameters<typeof build.mutation<Answer, Argument>>[0]) =>
  build.mutation<Answer, Argument>(how);

/** The endpoint of an operation that changes something: what is about the same, or about `alsoAbout`, is read again. */
export const mutationOf = <O extends Operation>(
  build: Build,
  operation: O,
  { alsoAbout = [], ...more }: Partial<Pick<Mutation<O>, 'onQueryStarted'>> & { alsoAbout?: readonly Subject[] } = {},
) =>
  mutation<ResponseOf<O>, ArgumentOf<O>>(build, {
    query: (argument) => callOf(operation, argument),
    invalidatesTags: [...(operation.about ?? []), ...alsoAbout],
    ...more,
  });
