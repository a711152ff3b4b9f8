export { useFinishTakeMutation, useGetTakeLogQuery, useListTakesQuery } from './api.ts';
