import { useState } from 'react';

import type { Schemas } from '../api/client';
import { PainPlace } from '../components/PainPlace';
import { type Hurt, NO_PAIN } from './dayLog';
import css from './Hurts.module.css';
import home from './home.module.css';
import { type Choice, Question } from './Question';
import * as say from '../messages/compiled/home';

const SIGNS: Choice<Schemas['RedSign'] | 'hurts'>[] = [
  { id: 'numbness', words: say.itTinglesOrIsNumb() },
  { id: 'radiating', words: say.thePainRunsAlongThe() },
  { id: 'curling', words: say.aFingerCurlsByItself() },
  { id: 'swelling', words: say.itIsSwollen() },
  { id: 'sudden_weakness', words: say.itIsSuddenlyWeak() },
  { id: 'hurts', words: say.itJustHurts() },
];
// For a child, in words; each is kept as the middle of what it stands for.
const HOW_MUCH: Choice<string>[] = [
  { id: '2', words: say.aLittle(), means: say.n1To3Of10() },
  { id: '5', words: say.clearly(), means: say.n4To6Of10() },
  { id: '8', words: say.badly(), means: say.n7To10Of10() },
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
          ask={isChild ? say.whatIsItLikeAsk() : say.whatIsItLike()}
          choices={SIGNS}
          onChoose={(id) => (id === 'hurts' ? setStep('where') : tell({ signs: [id] }))}
        />
      )}
      {step === 'where' && (
        <section className={home.ask} aria-label={say.whereItHurts()}>
          <h1>{say.whereDoesItHurt()}</h1>
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
            ask={say.howMuchDoesItHurt()}
            choices={HOW_MUCH}
            onChoose={(id) => tell({ pain: Number(id) })}
          />
        ) : (
          <section className={home.ask} aria-label={say.howMuchItHurts()}>
            <h1>{say.howMuchFrom1Hardly()}</h1>
            <div className={css.numbers}>
              {NUMBERS.map((each) => (
                <button
                  key={each}
                  type="button"
                  aria-label={say.painOf10({ each })}
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
            <h1>{say.noMoreToday()}</h1>
            <p>{say.leaveTheInItsCase({ instrument })}</p>
          </>
        ) : (
          <>
            <h1>{say.stop()}</h1>
            <ol>
              <li>{say.putTheDown({ instrument })}</li>
              <li>{say.letYourArmHang()}</li>
              {isChild && <li>{say.fetchAGrownUp()}</li>}
            </ol>
          </>
        )}
      </section>
      <button type="button" className={css.red} onClick={onGoOn}>
        {isChild ? say.aGrownUpIsHere() : say.sayWhatItIsLike()}
      </button>
      <div className={home.bar}>
        {isChild && !isAlone && (
          <button type="button" className={home.plain} onClick={onAlone}>
            {say.nobodyIsHere()}
          </button>
        )}
        <button type="button" className={home.plain} onClick={onMistake}>
          {say.byMistake()}
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
        <h1>{say.noMoreToday()}</h1>
        <p>{say.tomorrowOnlyIfNothingHurts()}</p>
        <p>{heardWords(unheard)}</p>
      </section>
      <div className={home.bar}>
        <button type="button" className={home.plain} onClick={onNothing}>
          {say.itWasNothing()}
        </button>
        <button type="button" className={home.main} onClick={onWeek}>
          {say.toTheWeek()}
        </button>
      </div>
    </>
  );
}

/** Who has heard of it. */
export function heardWords(unheard: boolean): string {
  return unheard ? say.yourTeacherHasNotHeard() : say.yourTeacherGetsANote();
}
