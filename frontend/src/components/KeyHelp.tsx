import { useState } from 'react';
import { Link } from 'wouter';

import { Dialog } from './Dialog';
import css from './KeyHelp.module.css';
import touch from './touch.module.css';
import * as say from '../messages/compiled/components';

/** What a part of the program is called; its name in English is its id, also to the pages of help. */
const PART_WORDS: Record<string, string> = {
  Everywhere: say.everywhere(),
  Today: say.today(),
  Player: say.player(),
  Library: say.library(),
  Piece: say.piece(),
  Ask: say.ask(),
  Look: say.look(),
  Decide: say.decide(),
  Give: say.give(),
  Sheet: say.sheet(),
  Class: say.classWord(),
};

const KEYS: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['A L D G', say.askLookDecideGive()],
      ['P', say.theSheet()],
      ['U', say.undo()],
      ['/', say.theLibraryOrTheLine()],
      ['?', say.thisList()],
    ],
  ],
  [
    'Today',
    [
      ['1 - 9', say.beginTheLessonOfThe()],
      ['↑ ↓', say.openALessonOfThe()],
      ['A', say.theOneThatIsOpen()],
      ['Esc', say.closeIt()],
      ['Enter', say.beginTheNextLessonOr()],
    ],
  ],
  [
    'Player',
    [
      ['← → ↑ ↓', say.inThePictureOfThe()],
      ['P', say.print()],
      ['Enter', say.beginALesson()],
    ],
  ],
  [
    'Library',
    [
      ['↑ ↓', say.anotherEntry()],
      ['Esc', say.beginAnew()],
      ['Enter', say.lookNowOrGiveIt()],
    ],
  ],
  [
    'Piece',
    [
      ['P', say.otherFingers()],
      ['Enter', say.theOpenPlaceIntoThe()],
    ],
  ],
  [
    'Ask',
    [
      ['↑ ↓', say.anotherQuestion()],
      ['0 1 2 3', say.goneLessTheSameMore()],
      ['S N O', say.anExerciseOfLastWeek()],
      ['1 - 7', say.daysThatWerePractisedAfter()],
      ['1 - 9', say.aComplaintThenItsFinger()],
      ['C', say.complaintTypeAFewLetters()],
      ['X', say.laterNotAskedOrGo()],
      ['H', say.harderPiece()],
      ['W', say.allIsWellAndOn()],
      ['Y', say.yesSomethingHurts()],
      ['Enter', say.lookInside()],
    ],
  ],
  [
    'Look',
    [
      ['0 1 2 3', say.gradeNotThereSlightClear()],
      ['↑ ↓', say.anotherCheck()],
      ['← →', say.anotherFinger()],
      ['X', say.cannotSeeItToday()],
      ['N', say.nextLook()],
      ['T', say.tryOneThing()],
      ['M', say.measureANumberTheEar()],
      ['Enter', say.recordDoneTakeWhatWas()],
      ['C', say.whatSpeaksForAndAgainst()],
      ['V', say.theHandAsItShould()],
      ['R', say.tempoAndReports()],
      ['Enter', say.decideInside()],
    ],
  ],
  [
    'Decide',
    [
      ['C', say.allCauses()],
      ['T', say.whatWouldMakeItSurer()],
      ['V', say.theHandAsItShould()],
      ['Esc', say.backToTheFocus()],
      ['Enter', say.takeTheFocusThatIs()],
    ],
  ],
  [
    'Give',
    [
      ['↑ ↓', say.openAnExercise()],
      ['Esc', say.backToTheWeek()],
      ['← →', say.stepDownStepUp()],
      ['- +', say.lessMore()],
      ['1 - 7', say.aDayOfItOn()],
      ['X', say.takeItOut()],
      ['M', say.makeTheWeekAnewWhen()],
      ['Enter', say.giveItAndMakeThe()],
    ],
  ],
  [
    'Sheet',
    [
      ['Enter', say.openThePdf()],
      ['B', say.backToTheLesson()],
      ['N', say.nextPlayer()],
    ],
  ],
  [
    'Class',
    [
      ['0 1 2 3', say.gradeThenTheNextPlayer()],
      ['F D S A', say.onTheFirstToThe()],
      ['G', say.onAllFingers()],
      ['O', say.allTheOthersNotThere()],
      ['↑ ↓', say.anotherPlayer()],
      ['← →', say.anotherCheck()],
      ['Enter', say.theNextCheck()],
    ],
  ],
];

interface Props {
  opened: boolean;
  /** Of which part of the program; its keys come first, the others on demand. */
  here: string | null;
  onClose: () => void;
}

/** The keys as they are on this screen, and all others behind one touch. */
export function KeyHelp({ opened, here, onClose }: Props) {
  const [all, setAll] = useState(here === null);
  const shown = KEYS.filter(([part]) => all || part === 'Everywhere' || part === here);
  return (
    <Dialog opened={opened} onClose={onClose} title={say.keys()} wide>
      <p>{say.singleKeysCanBeSwitched()}</p>
      <div className={css.keys}>
        {shown.map(([part, rows]) => (
          <section key={part}>
            <h3>{PART_WORDS[part]}</h3>
            <dl>
              {rows.map(([keys, what]) => (
                <div key={keys}>
                  <dt>
                    {keys.split(' ').map((key) => (
                      <kbd key={key}>{key}</kbd>
                    ))}
                  </dt>
                  <dd>{what}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <p className={css.more}>
        {!all && (
          <button type="button" className={touch.word} onClick={() => setAll(true)}>
            {say.allKeys()}
          </button>
        )}
        <Link href={`/library?help=${here ?? 'Today'}`} className={touch.word} onClick={onClose}>
          {say.helpForThisPage()}
        </Link>
      </p>
    </Dialog>
  );
}
