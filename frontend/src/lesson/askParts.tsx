import type { Catalogue } from '../api/client';
import type { Answer } from '../components/Answers';
import type { AskStop } from './askStops';
import type { LessonHandle } from './useLesson';
import words from './words.module.css';

export interface AskProps {
  stop: AskStop;
  handle: LessonHandle;
  catalogue: Catalogue;
  /** It was just answered: a second touch counts for nothing. */
  isHeld: boolean;
  /** On to what is open next. */
  onAnswered: () => void;
  /** Nothing hurts: the questions about the body are answered, and the lesson goes on. */
  onAllWell: (() => void) | undefined;
  /** The form about the body is open. */
  isTelling: boolean;
  onTell: () => void;
}

interface WordsProps {
  why?: string;
  title: string;
  how: string;
}

/** A question in words: why it comes, the question, how it is meant. */
export function Words({ why, title, how }: WordsProps) {
  return (
    <div className={words.words}>
      {why && <p className={words.why}>{why}</p>}
      <h3>{title}</h3>
      {how && <p className={words.how}>{how}</p>}
    </div>
  );
}

/** One answer as a row; `means` in small. */
export function row(
  id: string,
  word: string,
  means: string,
  shortcut: string,
  chosen: boolean,
): Answer {
  return { id, word, means: means || undefined, mark: null, shortcut, chosen };
}
