// Where figures of raw would stand: why there are none.
import { reasonOf, useReport } from '../../live/report';
import { Words } from '../../ui/words';
import { capital } from './format';

export function NoRaw() {
  const reason = useReport((r) => reasonOf(r.words?.raw));
  return (
    <Words quiet testID="no-raw-words">
      {reason === null ? 'Waiting for the finder…' : `${capital(reason)}.`}
    </Words>
  );
}
