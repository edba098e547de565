import '../components/passwordStyles';

import { Button, PasswordInput, TextInput } from '@mantine/core';
import { useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { ApiError, client, unwrap } from '../api/client';
import { sessionQuery } from '../api/queries';
import { StringsRule } from '../components/StringsRule';
import css from './SignIn.module.css';
import * as say from '../messages/compiled/signin';

export function SignIn() {
  return (
    <div className={css.form}>
      <h1>{say.aClinicForTheLeft()}</h1>
      <StringsRule />
      <p className="quiet">{say.lookFindTheCauseGive()}</p>
      <SignInForm />
      <p className="quiet">{say.aTeachersAidNotA()}</p>
    </div>
  );
}

/** Name and password. `name`: who was here before. */
export function SignInForm({ name = '' }: { name?: string }) {
  const cache = useQueryClient();
  const [username, setUsername] = useState(name);
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  async function submit(event: SyntheticEvent) {
    event.preventDefault();
    setBusy(true);
    try {
      const body = { username, password };
      cache.setQueryData(
        sessionQuery.queryKey,
        unwrap(await client.POST('/api/session/sign-in', { body })),
      );
    } catch (error) {
      setProblem(error instanceof ApiError ? error.message : say.noConnectionToJolfTry());
    } finally {
      setBusy(false);
    }
  }

  return (
    <form className={css.fields} onSubmit={(event) => void submit(event)}>
      <TextInput
        label={say.name()}
        autoComplete="username"
        value={username}
        onChange={(event) => setUsername(event.currentTarget.value)}
        size="lg"
        required
        withAsterisk={false}
        autoFocus={name === ''}
      />
      <PasswordInput
        visibilityToggleButtonProps={{ 'aria-label': say.showIt() }}
        label={say.password()}
        autoComplete="current-password"
        value={password}
        onChange={(event) => setPassword(event.currentTarget.value)}
        size="lg"
        required
        withAsterisk={false}
        error={problem}
        autoFocus={name !== ''}
      />
      <Button type="submit" size="lg" loading={busy}>
        {say.signIn()}
      </Button>
    </form>
  );
}
