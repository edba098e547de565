import { type DragEvent, useState } from 'react';

import css from './TakeFile.module.css';

interface Props {
  /** What to take or choose, in words. */
  children: string;
  accept: string;
  /** Words while it is being read; null while nothing is. */
  reading?: string | null;
  /** What was wrong with the last one. */
  problem?: string | null;
  /** A word among others, instead of a place to drop it. */
  isQuiet?: boolean;
  onFile: (file: File) => void;
}

/** The one way for a file to come in: chosen, taken with the phone's camera or microphone, or
 * dropped; it says that it is read, and what was wrong. */
export function TakeFile(props: Props) {
  const { children, accept, reading = null, problem = null, isQuiet = false, onFile } = props;
  const [isOver, setIsOver] = useState(false);
  function onDrop(event: DragEvent) {
    event.preventDefault();
    setIsOver(false);
    const [file] = event.dataTransfer.files;
    if (file && reading === null) onFile(file);
  }
  return (
    <div className={isQuiet ? css.quiet : css.whole}>
      <label
        className={isQuiet ? css.word : css.drop}
        data-over={isOver || undefined}
        data-busy={reading !== null || undefined}
        onDragOver={(event) => {
          event.preventDefault();
          setIsOver(true);
        }}
        onDragLeave={() => setIsOver(false)}
        onDrop={onDrop}
      >
        <span>{children}</span>
        <input
          type="file"
          accept={accept}
          disabled={reading !== null}
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            // The same one can be chosen again.
            event.currentTarget.value = '';
            if (file) onFile(file);
          }}
        />
      </label>
      <p role="status" className={css.reading}>
        {reading}
      </p>
      {problem && (
        <p role="alert" className={css.problem}>
          {problem}
        </p>
      )}
    </div>
  );
}
