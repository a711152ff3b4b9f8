export { LimitList } from './LimitList.tsx';
export { LoadRows } from './LoadRows.tsx';
