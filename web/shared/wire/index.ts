export { baseApi } from './baseApi.ts';
export { addressOf, call, currentToken, faultWords, type WireFault } from './wire.ts';
export { useFresh } from './useFresh.ts';
