"""The cello's treble clef of old editions: noticed by its leaps, lowered only when that is meant."""

from unittest import TestCase

from lefthand.music.reading.reader import read_piece
from lefthand.tests.scores import note, score
from lefthand.values.vocabulary import Instrument

BASS, TENOR, TREBLE = ("F", 4), ("C", 4), ("G", 2)


def clef(kind, octaves=""):
    sign, line = kind
    changed = f"<clef-octave-change>{octaves}</clef-octave-change>" if octaves else ""
    inside = f"<clef><sign>{sign}</sign><line>{line}</line>{changed}</clef>"
    return f"<attributes>{inside}</attributes>"


def bar(*pitches):
    return "".join(note(pitch[0], int(pitch[1])) for pitch in pitches)


LOW, HIGH, SAME = ("G3", "A3", "B3", "C4"), ("D5", "E5", "F5", "E5"), ("D4", "E4", "F4", "E4")
BACK = ("D4", "C4", "B3", "A3")


def three_bars(middle, kind=TREBLE, octaves="", first=BASS, name="Violoncello"):
    return score(
        clef(first) + bar(*LOW),
        clef(kind, octaves) + bar(*middle),
        clef(first) + bar(*BACK),
        name=name,
    )


def midis(piece):
    return [event.tones[0].pitch.midi for event in piece.events]


class OldTreble(TestCase):
    def test_it_is_noticed_by_leaps_into_the_clef_and_out_of_it(self):
        for told, data, expected in (
            ("an octave too high", three_bars(HIGH), True),
            ("too high after the tenor clef", three_bars(HIGH, first=TENOR), True),
            ("as it sounds", three_bars(SAME), False),
            ("with an octave of its own", three_bars(HIGH, octaves="-1"), False),
            ("in the tenor clef", three_bars(HIGH, kind=TENOR), False),
            ("for a violin", three_bars(HIGH, name="Violin"), False),
            ("treble throughout", three_bars(HIGH, first=TREBLE), False),
        ):
            with self.subTest(told):
                self.assertEqual(read_piece(data).has_old_treble, expected)

    def test_only_notes_under_the_treble_clef_are_lowered(self):
        data = three_bars(HIGH)
        plain, lowered = read_piece(data), read_piece(data, old_treble=True)
        self.assertEqual(midis(lowered), midis(read_piece(three_bars(SAME))))
        apart = [a - b for a, b in zip(midis(plain), midis(lowered), strict=True)]
        self.assertEqual(apart, [0] * 4 + [12] * 4 + [0] * 4)
        self.assertTrue(lowered.has_old_treble)

    def test_it_means_nothing_to_another_instrument(self):
        data = three_bars(HIGH)
        as_viola = read_piece(data, None, Instrument.VIOLA, old_treble=True)
        self.assertEqual(midis(as_viola), midis(read_piece(data)))
