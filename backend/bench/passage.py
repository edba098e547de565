"""How well music of others is read and fingered: `python -m bench.passage`.

Reading beside music21 on 300 files of its corpus; fingers beside those printed in 463 fiddle tunes,
hidden, told apart by the half of the tunes that the costs were fitted on; time of whole passages.
"""

import time
from collections import Counter
from collections.abc import Iterator

from lefthand.music.reading.reader import read_piece
from lefthand.passage.fingering import fingerings
from lefthand.passage.passage import Asked, read_passage
from lefthand.passage.places import fingerboard_of
from lefthand.passage.played import played
from lefthand.tests.fiddle_tunes import fingered_tunes, is_for_fitting
from lefthand.tests.reference_reading import CORPUS, Compared, compare, corpus_files
from lefthand.values.vocabulary import Instrument

FILES, SEED = 300, 5
AT_OPEN_STRINGS = {62, 69, 76}  # midi of D4, A4, E5
LONG_PARTS = (
    ("haydn/opus74no1/movement1.mxl", "1", Instrument.VIOLIN),
    ("beethoven/opus59no1/movement1.mxl", "1", Instrument.VIOLIN),
    ("beethoven/opus59no1/movement1.mxl", "4", Instrument.CELLO),
)


def reading() -> Iterator[str]:
    compared = Compared()
    for path in corpus_files(FILES, SEED):
        compare(path, compared)
    yield f"reading: {FILES} files, {compared.parts} parts"
    for kind, theirs in compared.theirs.items():
        yield f"  {kind}: {compared.alike[kind]} alike of {theirs}, {compared.ours[kind]} ours"


def fingers() -> Iterator[str]:
    board = fingerboard_of(Instrument.VIOLIN)
    for fitted in (True, False):
        found: Counter[str] = Counter()
        for tune in fingered_tunes():
            if is_for_fitting(tune) != fitted:
                continue
            line = played(tune)
            for note, hand in zip(line, fingerings(line, board)[0].hands, strict=True):
                if len(note.tones) != 1 or hand is None:
                    continue
                tone, finger = note.tones[0], hand.places[-1].finger
                if tone.fingers:
                    found["printed"] += 1
                    found["right"] += finger == int(tone.fingers[0])
                elif not note.is_grace and tone.pitch.midi in AT_OPEN_STRINGS:
                    found["unmarked"] += 1
                    found["open"] += finger == 0
        yield (
            f"fingers, {'fitted' if fitted else 'other'} half: {found['right']} of "
            f"{found['printed']} printed ({found['right'] / found['printed']:.3f}), "
            f"{found['open']} of {found['unmarked']} unmarked open "
            f"({found['open'] / found['unmarked']:.3f})"
        )


def times() -> Iterator[str]:
    for name, part, instrument in LONG_PARTS:
        start = time.perf_counter()
        passage = read_passage(read_piece((CORPUS / name).read_bytes(), part), Asked(instrument))
        spent = time.perf_counter() - start
        bars, notes = len(passage.piece.bars), len(passage.line)
        yield f"  {name} part {part}: {bars} bars, {notes} notes in {spent:.2f} s"


def main() -> None:
    for part in (fingers, times, reading):
        for line in part():
            print(line, flush=True)


if __name__ == "__main__":
    main()
