import type { Take } from './takes';
import * as say from '../messages/compiled/sound';

/** The table behind the pictures. */
export function NoteNumbers({ notes }: { notes: Take['notes'] }) {
  return (
    <details>
      <summary>{say.everyNoteInNumbers()}</summary>
      <table aria-label={say.everyNote()}>
        <thead>
          <tr>
            <th>{say.finger()}</th>
            <th>{say.centsInside()}</th>
            <th>{say.giveOrTake()}</th>
            <th>{say.msEarly()}</th>
            <th>{say.sure()}</th>
          </tr>
        </thead>
        <tbody>
          {notes.map((note, n) => (
            <tr key={n}>
              <td>{note.finger}</td>
              <td>{note.cents ?? '?'}</td>
              <td>{note.give ?? '?'}</td>
              <td>{note.early}</td>
              <td>{note.is_doubtful ? say.doubtful() : say.yes()}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
