import { useParams } from 'react-router';
import { Button, FaultNote } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useGetSessionQuery } from '../access/index.ts';
import { useStopLettersMutation } from '../letters/index.ts';
import { Door } from './Door.tsx';

/** Where the last line of a letter leads: no more of them by mail. It asks first, since mail programs look at addresses by themselves. */
export function StopLettersPage() {
  const { accountId = '', signature = '' } = useParams();
  useGetSessionQuery();
  const [stop, { isLoading, isSuccess, error }] = useStopLettersMutation();
  return (
    <Door title="No more letters">
      {isSuccess ? (
        <p role="status">It is done. What is written to you stays in the app, under Letters; there you can have it sent again.</p>
      ) : (
        <>
          <p>Letters to you then stay in the app. What you need to sign in still comes by mail.</p>
          {error && <FaultNote>{faultWords(error)}</FaultNote>}
          <Button large busy={isLoading} onClick={() => void stop({ accountId, signature })}>
            Stop them
          </Button>
        </>
      )}
    </Door>
  );
}
