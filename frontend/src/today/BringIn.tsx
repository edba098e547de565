import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'wouter';

import { client, problemWords, type Schemas, unwrap } from '../api/client';
import { formBody } from '../api/form';
import { Dialog } from '../components/Dialog';
import { TakeFile } from '../components/TakeFile';
import touch from '../components/touch.module.css';
import * as say from '../messages/compiled/today';

/** A player from a file that was saved here or by another teacher. */
export function BringIn() {
  const cache = useQueryClient();
  const bring = useMutation({
    mutationFn: async (file: File) =>
      unwrap(await client.POST('/api/players/file', formBody({ file }))),
    onSuccess: () => cache.invalidateQueries(),
  });
  return (
    <>
      <TakeFile
        isQuiet
        accept="application/json,.json"
        reading={bring.isPending ? say.readingTheFile() : null}
        onFile={(file) => bring.mutate(file)}
      >
        {say.bringInAPlayerFile()}
      </TakeFile>
      <Dialog
        opened={bring.isSuccess || bring.isError}
        onClose={() => bring.reset()}
        title={bring.data ? say.isHere({ name: bring.data.name }) : say.thisFileCannotBeUsed()}
      >
        {bring.data && <Told found={bring.data} />}
        {bring.error && <p role="alert">{problemWords(bring.error)}</p>}
      </Dialog>
    </>
  );
}

function Told({ found }: { found: Schemas['ImportedOut'] }) {
  return (
    <>
      <p>{say.whatStaysOutOfThe()}</p>
      <ul>
        {found.left_out.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      <Link className={touch.main} href={`/players/${found.player}`}>
        {say.openThePageOf({ name: found.name })}
      </Link>
    </>
  );
}
