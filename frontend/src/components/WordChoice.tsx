import touch from './touch.module.css';

interface Props<Id extends string> {
  /** What is chosen. */
  label: string;
  choices: readonly { id: Id; words: string }[];
  chosen: Id;
  className?: string | undefined;
  onChoose: (id: Id) => void;
}

/** One of a few, each a word on a string. */
export function WordChoice<Id extends string>(props: Props<Id>) {
  const { label, choices, chosen, className, onChoose } = props;
  return (
    <div className={className} role="group" aria-label={label}>
      {choices.map(({ id, words }) => (
        <button
          key={id}
          type="button"
          className={touch.word}
          aria-pressed={id === chosen}
          onClick={() => onChoose(id)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}
