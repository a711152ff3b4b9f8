import { errorTable, type ErrorCode, type WireError } from '@lean-mentor/contract';

/** An expected failure with a code of the contract's error table. Services throw it; they never name a status. */
export class ContractError extends Error {
  readonly code: ErrorCode;
  readonly fields: NonNullable<WireError['fields']> | undefined;

  constructor(code: ErrorCode, more: { message?: string; fields?: NonNullable<WireError['fields']>; cause?: unknown } = {}) {
    super(more.message ?? errorTable[code].words, { cause: more.cause });
    this.code = code;
    this.fields = more.fields;
  }
}
