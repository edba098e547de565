import { useState } from 'react';

import type { Schemas } from '../api/client';
import { PainPlace } from '../components/PainPlace';
import { type Hurt, NO_PAIN } from './dayLog';
import css from './Hurts.module.css';
import home from './home.module.css';
import { type Choice, Question } from './Question';

const SIGNS: Choice<Schemas['RedSign'] | 'hurts'>[] = [
  { id: 'numbness', words: 'It tingles or is numb' },
  { id: 'radiating', words: 'The pain runs along the arm' },
  { id: 'curling', words: 'A finger curls by itself' },
  { id: 'swelling', words: 'It is swollen' },
  { id: 'sudden_weakness', words: 'It is suddenly weak' },
  { id: 'hurts', words: 'It just hurts' },
];
// For a child, in words; each is kept as the middle of what it stands for.
const HOW_MUCH: Choice<string>[] = [
  { id: '2', words: 'A little', means: '1 to 3 of 10' },
  { id: '5', words: 'Clearly', means: '4 to 6 of 10' },
  { id: '8', words: 'Badly', means: '7 to 10 of 10' },
];
const NUMBERS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];

type Step = 'stop' | 'alone' | 'what' | 'where' | 'how' | 'told';

interface Props {
  /** child, teen or adult. */
  reader: string;
  instrument: string;
  /** It was asked before, after practice: nobody has to stop playing now. */
  isAsked: boolean;
  /** The teacher has not heard of it yet. */
  unheard: boolean;
  onHurt: (hurt: Hurt) => void;
  /** Back to what was shown; nothing hurt. */
  onMistake: () => void;
  onWeek: () => void;
}

/** First stop, then the questions, for a child with a grown-up beside. That it hurts is kept before
 * this opens, so that whoever walks away has been heard. */
export function Hurts({ reader, instrument, isAsked, unheard, ...on }: Props) {
  const isChild = reader === 'child';
  const [step, setStep] = useState<Step>(isAsked && !isChild ? 'what' : 'stop');
  const [place, setPlace] = useState('');
  function tell(hurt: Partial<Hurt>) {
    on.onHurt({ ...NO_PAIN, place, ...hurt });
    setStep('told');
  }
  return (
    <div className={css.page}>
      {(step === 'stop' || step === 'alone') && (
        <Stop
          isAlone={step === 'alone'}
          isChild={isChild}
          instrument={instrument}
          onGoOn={() => setStep('what')}
          onAlone={() => setStep('alone')}
          onMistake={on.onMistake}
        />
      )}
      {step === 'what' && (
        <Question
          ask={isChild ? 'What is it like? Ask the child.' : 'What is it like?'}
          choices={SIGNS}
          onChoose={(id) => (id === 'hurts' ? setStep('where') : tell({ signs: [id] }))}
        />
      )}
      {step === 'where' && (
        <section className={home.ask} aria-label="Where it hurts">
          <h1>Where does it hurt?</h1>
          <PainPlace
            chosen={place}
            onPick={(where) => {
              setPlace(where);
              setStep('how');
            }}
          />
        </section>
      )}
      {step === 'how' &&
        (isChild ? (
          <Question
            ask="How much does it hurt?"
            choices={HOW_MUCH}
            onChoose={(id) => tell({ pain: Number(id) })}
          />
        ) : (
          <section className={home.ask} aria-label="How much it hurts">
            <h1>How much, from 1 (hardly) to 10?</h1>
            <div className={css.numbers}>
              {NUMBERS.map((each) => (
                <button
                  key={each}
                  type="button"
                  aria-label={`Pain ${each} of 10`}
                  onClick={() => tell({ pain: each })}
                >
                  {each}
                </button>
              ))}
            </div>
          </section>
        ))}
      {step === 'told' && <Told unheard={unheard} onNothing={on.onMistake} onWeek={on.onWeek} />}
    </div>
  );
}

interface StopProps {
  isAlone: boolean;
  isChild: boolean;
  instrument: string;
  onGoOn: () => void;
  onAlone: () => void;
  onMistake: () => void;
}

function Stop({ isAlone, isChild, instrument, onGoOn, onAlone, onMistake }: StopProps) {
  return (
    <>
      <section className={`${home.ask} ${isAlone ? css.told : css.stop}`} role="alert">
        {isAlone ? (
          <>
            <h1>No more today.</h1>
            <p>Leave the {instrument} in its case. Tell a grown-up as soon as one is home.</p>
          </>
        ) : (
          <>
            <h1>Stop.</h1>
            <ol>
              <li>Put the {instrument} down.</li>
              <li>Let your arm hang.</li>
              {isChild && <li>Fetch a grown-up.</li>}
            </ol>
          </>
        )}
      </section>
      <button type="button" className={css.red} onClick={onGoOn}>
        {isChild ? 'A grown-up is here' : 'Say what it is like'}
      </button>
      <div className={home.bar}>
        {isChild && !isAlone && (
          <button type="button" className={home.plain} onClick={onAlone}>
            Nobody is here
          </button>
        )}
        <button type="button" className={home.plain} onClick={onMistake}>
          By mistake
        </button>
      </div>
    </>
  );
}

interface ToldProps {
  unheard: boolean;
  onNothing: () => void;
  onWeek: () => void;
}

function Told({ unheard, onNothing, onWeek }: ToldProps) {
  return (
    <>
      <section className={`${home.ask} ${css.told}`} role="alert">
        <h1>No more today.</h1>
        <p>
          Tomorrow only if nothing hurts, and then half as much. Still sore tomorrow? Rest, and see
          a doctor.
        </p>
        <p>{heardWords(unheard)}</p>
      </section>
      <div className={home.bar}>
        <button type="button" className={home.plain} onClick={onNothing}>
          It was nothing
        </button>
        <button type="button" className={home.main} onClick={onWeek}>
          To the week
        </button>
      </div>
    </>
  );
}

/** Who has heard of it. */
export function heardWords(unheard: boolean): string {
  return unheard
    ? 'Your teacher has not heard of it yet: it is sent when there is a network. Please call.'
    : 'Your teacher gets a note of it.';
}
