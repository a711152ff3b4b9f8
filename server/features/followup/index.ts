export { findThreadRequests } from './threadRequests.ts';
