import { Button } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation } from 'wouter';

import { client, type Lesson, unwrapEmpty } from '../api/client';
import { Dialog } from '../components/Dialog';
import css from './AskStep.module.css';
import * as say from '../messages/compiled/lesson';

/** A lesson that was begun by mistake can go again, with what was entered in it. */
export function RemoveLesson({ lesson }: { lesson: Lesson }) {
  const [opened, setOpened] = useState(false);
  const cache = useQueryClient();
  const [, navigate] = useLocation();
  const remove = useMutation({
    mutationFn: async () => {
      const params = { path: { lesson_id: lesson.id } };
      unwrapEmpty(await client.DELETE('/api/lessons/{lesson_id}', { params }));
    },
    onSuccess: async () => {
      navigate('/');
      cache.removeQueries({ queryKey: ['lesson', lesson.id] });
      await cache.invalidateQueries();
    },
  });
  const entered = lesson.undoable.length > 0;
  return (
    <div className={css.remove}>
      <Button variant="subtle" onClick={() => setOpened(true)}>
        {say.begunByMistakeRemoveThis()}
      </Button>
      <Dialog opened={opened} onClose={() => setOpened(false)} title={say.removeThisLesson()}>
        <p>{entered ? say.everythingEnteredInItGoes() : say.nothingWasEnteredInIt()}</p>
        {remove.error && <p role="alert">{remove.error.message}</p>}
        <Button loading={remove.isPending} onClick={() => remove.mutate()}>
          {say.removeIt()}
        </Button>
      </Dialog>
    </div>
  );
}
