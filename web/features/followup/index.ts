export { useCloseThreadMutation, useGetClientHistoryQuery, useGetClientProgressQuery, type Progress } from './api.ts';
