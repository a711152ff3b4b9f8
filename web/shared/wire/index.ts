export { baseApi } from './baseApi.ts';
export { mutationOf, queryOf } from './endpoint.ts';
export { addressOf, call, currentAccount, currentToken, faultWords, type WireFault } from './wire.ts';
export { useFresh } from './useFresh.ts';
