import type { Lesson } from '../api/client';

/** Causes as the list shows them: the focus first, so that list, sentence and drawing agree. */
export function leadFirst(lesson: Pick<Lesson, 'causes' | 'focus'>): Lesson['causes'] {
  const rank = (id: string) => {
    const at = lesson.focus.findIndex((focus) => focus.cause === id);
    return at === -1 ? lesson.focus.length : at;
  };
  return [...lesson.causes].sort((a, b) => rank(a.id) - rank(b.id));
}
