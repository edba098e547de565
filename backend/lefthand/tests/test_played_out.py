"""Repeats, endings and jumps: in what order bars are played, beside music21, and what playing out
adds to the load and to the time."""

import warnings
from fractions import Fraction
from unittest import TestCase

import music21

from lefthand.music.reading.bar_order import MOST_PLAYED, bar_order
from lefthand.music.reading.piece import Bar
from lefthand.music.reading.reader import read_piece
from lefthand.passage.passage import Asked, read_passage
from lefthand.tests.effort import usually
from lefthand.tests.reference_reading import CORPUS
from lefthand.tests.scores import note, score
from lefthand.values.vocabulary import Instrument

OPENS = '<barline location="left"><repeat direction="forward"/></barline>'
REPEATS = '<barline location="right"><repeat direction="backward"/></barline>'
DOUBLE = '<barline location="right"><bar-style>light-light</bar-style></barline>'
FOLK = usually(20, 120)
# What music21 reads otherwise: a second repeat without its opening sign goes back to the beginning
# there, a bracket of an ending is played again after its turn, a da capo inside a score is passed over.
ONLY_THERE = {"opus18no1", "opus59no2", "opus59no3"}


def ending(number, kind, inside=""):
    side = "left" if kind == "start" else "right"
    return f'<barline location="{side}"><ending number="{number}" type="{kind}"/>{inside}</barline>'


def first_of(number, music):
    repeat = '<repeat direction="backward"/>' if number == "1" else ""
    return ending(number, "start") + music + ending(number, "stop", repeat)


def says(words):
    return f"<direction><direction-type><words>{words}</words></direction-type></direction>"


def sound(told):
    return f"<direction><direction-type><words/></direction-type><sound {told}/></direction>"


def sign(name):
    return f"<direction><direction-type><{name}/></direction-type></direction>"


N = note(duration=16)
# Common practice, no source: the bars as they are written, and as they are played, from 1.
ORDERS = {
    "no signs": ([N, N, N], "123"),
    "a repeat from the beginning": ([N, N + REPEATS, N], "12123"),
    "a repeat of its own bars": ([N, OPENS + N, N + REPEATS, N], "123234"),
    "a second repeat without its opening": ([N, N + REPEATS, N, N + REPEATS], "12123434"),
    "two endings": ([N, first_of("1", N), first_of("2", N), N], "12134"),
    "two endings after an opening": ([N, OPENS + N, first_of("1", N), first_of("2", N), N], "1232" + "45"),
    "two endings, then a repeat": ([N, first_of("1", N), first_of("2", N), OPENS + N, N + REPEATS], "1213" + "4545"),
    "a bracket shorter than its ending": (
        [N, ending("1", "start") + N + ending("1", "discontinue"), N + REPEATS, first_of("2", N)],
        "12314",
    ),
    "a first ending without a second": ([N, first_of("1", N), N], "1213"),
    "a second ending without a first": ([N, N + REPEATS, first_of("2", N), N], "121234"),
    "an ending for two turns": (
        [N, ending("1, 2", "start") + N + ending("1, 2", "stop", '<repeat direction="backward"/>'), first_of("3", N)],
        "1212" + "13",
    ),
    "three times": ([N, N + REPEATS.replace("backward", 'backward" times="3'), N], "1212123"),
    "da capo al fine": ([N, N + says("Fine"), N, N + says("D.C. al Fine")], "123412"),
    "da capo takes no repeats": ([N, N + REPEATS, N + says("Fine"), N + says("Da Capo")], "121234123"),
    "da capo takes the last ending": (
        [N, first_of("1", N), first_of("2", N), N + sound('fine="yes"'), N + sound('dacapo="yes"')],
        "121345134",
    ),
    "dal segno": ([N, sign("segno") + N, N + says("Fine"), N + says("D.S. al Fine")], "123423"),
    "to the coda": (
        [N, N + sign("coda"), N, N + says("D.C. al Coda"), sign("coda") + N],
        "123412" + "5",
    ),
    "words before the double bar": ([N, N + says("Fine"), says("D.C.") + N, N + DOUBLE], "123412"),
    "a sign that is not there": ([N, N + says("D.S.")], "12"),
}  # fmt: skip


class Orders(TestCase):
    def test_bars_are_played_in_their_order(self):
        for name, (bars, expected) in ORDERS.items():
            with self.subTest(name):
                order = bar_order(read_piece(score(*bars)).bars)
                self.assertEqual("".join(str(at + 1) for at in order), expected)

    def test_the_signs_may_stand_in_another_part(self):
        own = score(N, N)
        others = own.split(b"<part id")[1].replace(b'"P1"', b'"P2"')
        others = others.replace(b"</measure></part>", says("D.C.").encode() + b"</measure></part>")
        both = own.replace(b"</score-partwise>", b"<part id" + others)
        self.assertEqual(bar_order(read_piece(both, part="P1").bars), [0, 1, 0, 1])

    def test_as_music21_plays_them(self):
        alike = 0
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            for path in sorted(CORPUS.glob("essenFolksong/*.xml")) + sorted(CORPUS.rglob("*.mxl")):
                if alike >= FOLK or path.stem in ONLY_THERE or path.parent.name in ONLY_THERE:
                    continue
                piece = read_piece(path.read_bytes())
                if not any(bar.repeats for bar in piece.bars) or len(piece.bars) > 120:
                    continue
                with self.subTest(path.name):
                    self.assertEqual(bar_order(piece.bars), self.theirs(path))
                    alike += 1
        self.assertGreaterEqual(alike, FOLK)

    def theirs(self, path):
        part = music21.converter.parse(path, forceSource=True).parts[0]
        for place, bar in enumerate(part.getElementsByClass("Measure")):
            bar.groups.append(f"at{place}")
        played = part.expandRepeats().getElementsByClass("Measure")
        return [int(next(g for g in bar.groups if g[:2] == "at")[2:]) for bar in played]

    def test_an_order_that_never_ends_is_none(self):
        bars = [Bar(str(at), Fraction(at), repeats=99) for at in range(MOST_PLAYED // 90)]
        self.assertIsNone(bar_order(bars))


def bar_of(*pitches):
    return "".join(note(step, octave, 4) for step, octave in pitches)


LOW = bar_of(("B", 3), ("C", 4), ("B", 3), ("C", 4))
HIGH = bar_of(("E", 6), ("F", 6), ("E", 6), ("F", 6))


def read(*bars, **how):
    return read_passage(read_piece(score(*bars)), Asked(Instrument.VIOLIN, tempo=120.0, **how))


class PlayedOut(TestCase):
    def test_going_back_to_the_beginning_is_a_shift_where_it_is_one(self):
        plain, repeated = read(LOW, HIGH), read(LOW, HIGH + REPEATS)
        kinds = [
            {demand.kind for demand in passage.demands if demand.bar == 0}
            for passage in (plain, repeated)
        ]
        self.assertNotIn("shift", " ".join(kinds[0]))
        self.assertIn("shift", " ".join(kinds[1]))
        self.assertEqual(
            [hand.places for hand in plain.fingering.hands],
            [hand.places for hand in repeated.fingering.hands],
        )

    def test_a_bar_has_the_load_of_its_heaviest_turn_not_of_all_together(self):
        """What is the same each time weighs as it did once."""
        once, thrice = (
            read(LOW, LOW),
            read(LOW, LOW + REPEATS.replace("backward", 'backward" times="3')),
        )
        for cause, loads in once.loads.bars.items():
            with self.subTest(cause):
                for before, after in zip(loads, thrice.loads.bars[cause], strict=True):
                    self.assertLessEqual(before, after + 1e-9)
                self.assertLess(sum(thrice.loads.bars[cause]), 2 * sum(loads) + 2)

    def test_going_back_at_once_is_no_rest(self):
        """At tempos whose beats add up to no round number of seconds."""
        for tempo in (each / 7 for each in range(300, 1400, 53)):
            piece = read_piece(
                score(LOW, OPENS + HIGH, LOW, HIGH + REPEATS, LOW, OPENS + HIGH, LOW + REPEATS)
            )
            passage = read_passage(piece, Asked(Instrument.VIOLIN, tempo=tempo))
            with self.subTest(tempo):
                self.assertEqual({note.rest for note in passage.out.line}, {0.0})

    def test_how_long_it_lasts_is_said(self):
        """Ten bars of four at 120: 20 seconds."""
        bars = [LOW] * 4 + [LOW + REPEATS, LOW]
        told = [r for r in read(*bars).remarks if "bars are played" in r]
        self.assertEqual(
            told, ["With its repeats and jumps 11 bars are played: 0 min 22 s at this tempo."]
        )
        self.assertFalse([r for r in read(LOW, LOW).remarks if "bars are played" in r])

    def test_bars_that_are_not_looked_at_count_as_rest(self):
        """Only the end of a repeated part is looked at: between its turns the hand is free."""
        passage = read(HIGH, HIGH, LOW + REPEATS, bars=(2, 2))
        self.assertEqual(passage.out.turn, [0] * 4 + [1] * 4)
        self.assertAlmostEqual(passage.out.line[4].rest, 4.0)

    def test_two_voices_are_told_with_their_bars(self):
        second = "<backup><duration>16</duration></backup>" + note("E", 4, 16, "<voice>2</voice>")
        one = note("C", 5, 16, "<voice>1</voice>")
        unison = "<backup><duration>16</duration></backup>" + note("C", 5, 16, "<voice>2</voice>")
        told = read_piece(score(one, one + second, one + unison, one + second)).remarks
        self.assertIn("2 bars have two voices, the first of them bar 2: both are read", told[0])
        self.assertEqual(read_piece(score(one, one + unison)).remarks, [])
