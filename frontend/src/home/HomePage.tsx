import { late } from '../components/late';
import { Day } from './Day';
import home from './home.module.css';
import css from './HomePage.module.css';
import { heardWords } from './Hurts';
import { dayOfMonth } from './dayWords';
import { type Closed, type HomeHandle, useHome } from './useHome';
import type { WeekNow } from './weekNow';
import * as say from '../messages/compiled/home';

const Nothing = () => null;
// Takes of this phone that are still on their way, though this week may ask for none.
const SendTakes = late(() =>
  import('./SendTakes').then(
    (its) => its.SendTakes,
    () => Nothing,
  ),
);

/** A week at home: what is for today, how it is done, and how it went. */
export function HomePage({ token }: { token: string }) {
  const handle = useHome(token);
  if (handle === null) return <main className={home.page} aria-busy="true" />;
  if ('error' in handle) {
    return (
      <main className={home.page}>
        <h1>{say.practiceWeek()}</h1>
        <p>{handle.error}</p>
        <Kept handle={handle} />
        <SendTakes token={token} />
      </main>
    );
  }
  const { week } = handle;
  return (
    <main className={home.page}>
      {week.stopped ? (
        <Stop week={week} takeBack={handle.takeBack} />
      ) : (
        <Day token={token} handle={handle} SendTakes={SendTakes} />
      )}
      <NotTaken handle={handle} />
      {week.stopped && <SendTakes token={token} />}
    </main>
  );
}

/** What was told here and has not arrived; nothing of it goes unsaid. */
function Kept({ handle }: { handle: Closed }) {
  if (handle.kept.length === 0) return null;
  return (
    <section className={css.aside} aria-label={say.notSentYet()}>
      <h2>{say.notSentYet()}</h2>
      <p>{handle.ended ? say.thisIsKeptOnThis() : say.thisIsKeptOnThisPhone()}</p>
      {handle.kept.map((entry) => (
        <div key={entry.clientKey}>
          <p>
            {entry.kind === 'day' ? say.theLogOf({ key: dayOfMonth(entry.key) }) : say.anAnswer()}
          </p>
          <button type="button" className={home.plain} onClick={() => handle.throwAway(entry)}>
            {say.throwAway()}
          </button>
        </div>
      ))}
    </section>
  );
}

/** Logs that the server could not take, kept here until somebody decides. */
function NotTaken({ handle }: { handle: HomeHandle }) {
  const { aside } = handle.queue;
  if (aside.length === 0) return null;
  return (
    <section className={css.aside} aria-label={say.notTaken()}>
      <h2>{say.couldNotBeSent()}</h2>
      {aside.map((entry) => (
        <div key={entry.clientKey}>
          <p>
            {entry.kind === 'day'
              ? say.theLogOfOfKey({ key: entry.key, aside: entry.aside ?? '' })
              : say.anAnswerOfAside({ aside: entry.aside ?? '' })}
          </p>
          <div className={home.bar}>
            <button type="button" className={home.plain} onClick={() => handle.tryAgain(entry)}>
              {say.tryAgain()}
            </button>
            <button type="button" className={home.plain} onClick={() => handle.throwAway(entry)}>
              {say.throwAway()}
            </button>
          </div>
        </div>
      ))}
    </section>
  );
}

function Stop({ week, takeBack }: { week: WeekNow; takeBack: HomeHandle['takeBack'] }) {
  const isChild = week.reader === 'child';
  return (
    <>
      <section className={css.stop} role="alert">
        <h1>{say.pleaseRestThisHand()}</h1>
        <p>{say.noExercisesUntilYourTeacher()}</p>
        <p>{isChild ? say.showThisToAGrown() : say.pleaseSeeADoctorOr()}</p>
        <p>{heardWords(week.unheard)}</p>
        <p>{say.meanwhileSingTheTuneClap()}</p>
      </section>
      {takeBack !== null && (
        <div className={home.bar}>
          <button type="button" className={home.plain} onClick={takeBack}>
            {say.thatWasTappedByMistake()}
          </button>
        </div>
      )}
    </>
  );
}
