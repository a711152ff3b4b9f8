import { useAccount } from '../access/index.ts';

/** On whose side somebody agrees to what is to be spared; null: they only read it. */
export function useSide(): 'coach' | 'client' | null {
  const role = useAccount()?.role;
  if (role === 'coach') return 'coach';
  return role === 'client' || role === 'guardian' ? 'client' : null;
}
