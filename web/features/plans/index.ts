export { OwnPlans, PlanLine } from './OwnPlans.tsx';
export { useAddExtraMutation } from './api.ts';
export { dayName, leftWords, periodWords, priceWords, turnaroundWords, wayWords, type Practice } from './words.ts';
