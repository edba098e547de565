import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'wouter';

import { client, problemWords, type Schemas, unwrap } from '../api/client';
import { formBody } from '../api/form';
import { Dialog } from '../components/Dialog';
import { TakeFile } from '../components/TakeFile';
import touch from '../components/touch.module.css';

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
        reading={bring.isPending ? 'Reading the file …' : null}
        onFile={(file) => bring.mutate(file)}
      >
        Bring in a player file
      </TakeFile>
      <Dialog
        opened={bring.isSuccess || bring.isError}
        onClose={() => bring.reset()}
        title={bring.data ? `${bring.data.name} is here` : 'This file cannot be used'}
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
      <p>What stays out of the records here:</p>
      <ul>
        {found.left_out.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      <Link className={touch.main} href={`/players/${found.player}`}>
        Open the page of {found.name}
      </Link>
    </>
  );
}
