export { useWorkOwner } from './useMyWork.ts';
export { useOutbox } from './useOutbox.ts';
export { WorkGlance } from './WorkGlance.tsx';
export { WorkToSee } from './WorkToSee.tsx';
export { WorkWay } from './WorkWay.tsx';
export { forgetWork } from './workShelves.ts';
