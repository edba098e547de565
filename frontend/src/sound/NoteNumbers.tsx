import type { Take } from './takes';

/** The table behind the pictures. */
export function NoteNumbers({ notes }: { notes: Take['notes'] }) {
  return (
    <details>
      <summary>Every note in numbers</summary>
      <table aria-label="Every note">
        <thead>
          <tr>
            <th>finger</th>
            <th>cents</th>
            <th>give or take</th>
            <th>ms early</th>
            <th>sure</th>
          </tr>
        </thead>
        <tbody>
          {notes.map((note, n) => (
            <tr key={n}>
              <td>{note.finger}</td>
              <td>{note.cents ?? '?'}</td>
              <td>{note.give ?? '?'}</td>
              <td>{note.early}</td>
              <td>{note.is_doubtful ? 'doubtful' : 'yes'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
