import '../components/passwordStyles';

import { Button, PasswordInput } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';

import { ApiError, client, unwrapEmpty } from '../api/client';
import css from './DeskPage.module.css';
import * as say from '../messages/compiled/desk';

// The eye in the field is for a finger, too.
const TOGGLE = { 'aria-label': say.showIt(), style: { minHeight: 44, minWidth: 44 } };

/** A new password for who knows the present one. */
export function ChangePassword() {
  const [old, setOld] = useState('');
  const [fresh, setFresh] = useState('');
  const [again, setAgain] = useState('');
  const change = useMutation({
    mutationFn: async () =>
      unwrapEmpty(await client.POST('/api/desk/password', { body: { old, new: fresh } })),
    onSuccess: () => [setOld, setFresh, setAgain].forEach((set) => set('')),
  });
  const problems = change.error instanceof ApiError ? change.error.fields : [];
  const problemOf = (field: string) => problems.find((each) => each.field === field)?.problem;
  const differs = again !== '' && again !== fresh;
  return (
    <form
      className={css.password}
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate();
      }}
    >
      <PasswordInput
        label={say.presentPassword()}
        size="lg"
        visibilityToggleButtonProps={TOGGLE}
        autoComplete="current-password"
        value={old}
        onChange={(event) => setOld(event.currentTarget.value)}
        error={problemOf('old')}
      />
      <PasswordInput
        label={say.newPassword()}
        size="lg"
        visibilityToggleButtonProps={TOGGLE}
        autoComplete="new-password"
        value={fresh}
        onChange={(event) => setFresh(event.currentTarget.value)}
        error={problemOf('new')}
      />
      <PasswordInput
        label={say.theNewOneAgain()}
        size="lg"
        visibilityToggleButtonProps={TOGGLE}
        autoComplete="new-password"
        value={again}
        onChange={(event) => setAgain(event.currentTarget.value)}
        error={differs ? say.theseAreTwoDifferentPasswords() : undefined}
      />
      <Button
        type="submit"
        variant="default"
        loading={change.isPending}
        disabled={old === '' || fresh === '' || fresh !== again}
      >
        {say.changeThePassword()}
      </Button>
      {change.isSuccess && <p role="status">{say.changedYourOtherDevicesWill()}</p>}
      {change.error && problems.length === 0 && <p role="alert">{change.error.message}</p>}
    </form>
  );
}
