"""Music of others: read as music21 reads it, and what is broken or hostile refused in one line."""

from fractions import Fraction
from unittest import TestCase

from lefthand.music.reading.reader import MOST_BARS, MOST_NOTES, read_piece
from lefthand.tests.reference_reading import Compared, compare, corpus_files
from lefthand.tests.scores import note, packed, score
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

FILES, SEED = 12, 11


def sounding(piece):
    return [
        (float(event.onset), float(event.length), [str(tone.pitch) for tone in event.tones])
        for event in piece.events
    ]


CHORD = note("C", 5).replace("<pitch>", "<chord/><pitch>")
GRACE = note("B", inside="").replace("<pitch>", "<grace/><pitch>")
TIE = '<tie type="{}"/>'
TWO_VOICES = (
    note("A", duration=8) + "<backup><duration>8</duration></backup>" + note("A", duration=4)
    + note("C", 5)
)  # fmt: skip
DOCTYPE = '<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "p.dtd">'
LOWER = "<transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose>"

READ = (
    ("two notes", score(note() + note("B")), [(0, 1, ["A4"]), (1, 1, ["B4"])]),
    ("a chord", score(note() + CHORD), [(0, 1, ["A4", "C5"])]),
    ("a rest between", score(note() + "<note><rest/><duration>4</duration></note>" + note()),
     [(0, 1, ["A4"]), (2, 1, ["A4"])]),
    ("a grace note", score(GRACE + note()), [(0, 0, ["B4"]), (0, 1, ["A4"])]),
    ("a cue is left out", score(note(inside="<cue/>") + note("B")), [(1, 1, ["B4"])]),
    ("two voices, one pitch once", score(TWO_VOICES), [(0, 2, ["A4"]), (1, 1, ["C5"])]),
    ("a triplet", score(note(duration=4, inside="<time-modification><actual-notes>3</actual-notes>"
     "<normal-notes>2</normal-notes></time-modification>")), [(0, 1, ["A4"])]),
    ("a flat", score(note("B", before="<alter>-1</alter>")), [(0, 1, ["Bb4"])]),
    ("a second bar after a short first one", score(note(), note("B")),
     [(0, 1, ["A4"]), (1, 1, ["B4"])]),
    ("a document type", score(note(), head=DOCTYPE), [(0, 1, ["A4"])]),
    ("compressed", packed(score(note())), [(0, 1, ["A4"])]),
    ("written above its sound", score(note(), attributes=LOWER), [(0, 1, ["A3"])]),
)  # fmt: skip


class Reading(TestCase):
    def test_what_stands_there_is_what_is_read(self):
        for name, data, expected in READ:
            with self.subTest(name):
                self.assertEqual(sounding(read_piece(data)), expected)

    def test_ties_slurs_fingers_strings_and_marks(self):
        technical = "<technical><fingering>4</fingering><string>2</string></technical>"
        begin = f'<notations><slur type="start"/>{technical}</notations>' + TIE.format("start")
        end = '<notations><slur type="stop"/><fermata/></notations>' + TIE.format("stop")
        first, last = read_piece(score(note(inside=begin) + note(inside=end))).events
        self.assertEqual((first.tones[0].fingers, first.tones[0].string), (("4",), 2))
        self.assertEqual((first.tones[0].tied_to, last.tones[0].tied_from), (True, True))
        self.assertEqual((first.slurs_begin, last.slurs_end), (1, 1))
        self.assertEqual(last.marks, {"fermata"})

    def test_tempo_time_key_and_repeats(self):
        time = (
            "<time><beats>3+2</beats><beat-type>8</beat-type></time><key><fifths>-3</fifths></key>"
        )
        metronome = (
            "<direction><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/>"
            "<per-minute>60</per-minute></metronome></direction-type></direction>"
        )
        ends = '<barline location="right"><repeat direction="backward"/></barline>'
        piece = read_piece(score(metronome + note() + ends, attributes=time))
        bar = piece.bars[0]
        self.assertEqual((bar.beats, bar.unit, bar.fifths, bar.repeats), (5, 8, -3, 2))
        self.assertEqual(piece.tempos, [(Fraction(0), 90.0)])

    def test_the_bass_sounds_an_octave_below_what_is_written(self):
        piece = read_piece(score(note("A", 3), name="Contrabass"))
        self.assertEqual(piece.part.instrument, Instrument.BASS)
        self.assertEqual(sounding(piece)[0][2], ["A2"])
        self.assertIn("octave", piece.remarks[0])
        low = read_piece(score(note("E", 1), name="Double bass"))
        self.assertEqual(sounding(low)[0][2], ["E1"])

    def test_a_part_is_chosen_by_name_number_or_instrument(self):
        one, two = (
            score(note(step), name=name) for step, name in (("A", "Violino I"), ("C", "Vc."))
        )
        second = (
            two.split(b"<part id")[1].replace(b'="P1"', b'="P2"').replace(b"</score-partwise>", b"")
        )
        listed = b'<score-part id="P2"><part-name>Vc.</part-name></score-part></part-list>'
        both = one.replace(b"</part-list>", listed).replace(
            b"</score-partwise>", b"<part id" + second + b"</score-partwise>"
        )
        for asked, instrument, expected in (
            (None, None, "A4"),
            (None, Instrument.CELLO, "C4"),
            ("vc.", None, "C4"),
            ("2", None, "C4"),
            ("P1", Instrument.CELLO, "A4"),
        ):
            with self.subTest(asked=asked, instrument=instrument):
                self.assertEqual(sounding(read_piece(both, asked, instrument))[0][2], [expected])
        with self.assertRaises(InputError) as caught:
            read_piece(both, "oboe")
        self.assertEqual(caught.exception.field, "part")
        self.assertIn("Violino I, Vc.", caught.exception.problem)

    def test_bars_across_parts_in_the_other_order(self):
        timewise = (
            b"<score-timewise><part-list><score-part id='P1'><part-name>V</part-name></score-part>"
            b"</part-list><measure number='7'><part id='P1'>" + note(duration=1).encode()
            + b"</part></measure></score-timewise>"
        )  # fmt: skip
        piece = read_piece(timewise)
        self.assertEqual((piece.bars[0].number, len(piece.events)), ("7", 1))


ENTITIES = '<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]>'
EXTERNAL = '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/hostname">]>'
BAD = (
    ("nothing", b""),
    ("text", b"no music at all"),
    ("half a file", score(note())[:200]),
    ("another document", b"<html/>"),
    ("no part", b"<score-partwise/>"),
    ("entities that grow", ENTITIES.encode() + b"<score-partwise>&b;</score-partwise>"),
    ("a file of this computer", EXTERNAL.encode() + b"<score-partwise>&a;</score-partwise>"),
    ("nested without end", b"<a>" * 5000),
    ("too many elements", b"<score-partwise>" + b"<a/>" * 220_000 + b"</score-partwise>"),
    ("too many bars", score(*[""] * (MOST_BARS + 1))),
    ("too many notes", score(note() * (MOST_NOTES + 1))),
    ("too large", b" " * 4_000_001),
    ("an unknown letter", score(note("H"))),
    ("a letter of many", score(note("ABC"))),
    ("no octave", score(note(octave=""))),
    ("a high octave", score(note(octave=11))),
    ("a length that is no number", score(note(duration="1e999999"))),
    ("a length without end", score(note(duration="9" * 40))),
    ("a length below nothing", score(note(duration=-4))),
    ("no length", score("<note><rest/></note>")),
    ("no divisions", score(note()).replace(b">4</divisions>", b">0</divisions>")),
    ("a key of a hundred flats", score(note(), attributes="<key><fifths>-100</fifths></key>")),
    ("a time of nothing", score(note(), attributes="<time><beats>0</beats><beat-type>4</beat-type></time>")),
    ("a broken zip", packed(score(note()))[:-30]),
    ("a zip of zeros", b"PK" + bytes(200)),
    ("a zip without a score", packed(score(note()), name="other.xml")),
    ("a zip that names none", packed(score(note()), container="<container/>")),
    ("a zip that grows", packed(b" " * 30_000_000)),
    ("a damaged entry", packed(score(*[note()] * 50)).replace(b"PK\x03\x04", b"PK\x03\x05", 2)),
    ("odd letters", b'<?xml version="1.0" encoding="no-such"?><score-partwise/>'),
)  # fmt: skip


class Refused(TestCase):
    def test_one_line_that_names_the_field(self):
        for name, data in BAD:
            with self.subTest(name), self.assertRaises(InputError) as caught:
                read_piece(data)
            self.assertEqual(caught.exception.field, "piece")
            self.assertNotIn("\n", str(caught.exception))
            self.assertLess(len(str(caught.exception)), 200)


class BesideAReference(TestCase):
    tags = {"long"}

    def test_music21_reads_the_same(self):
        """Its corpus, seeded. Slurs that span voices may count once more there."""
        compared = Compared()
        for path in corpus_files(FILES, SEED):
            compare(path, compared)
        self.assertGreater(compared.theirs["notes"], 3000)
        for kind in ("notes", "ties", "graces", "fingers"):
            with self.subTest(kind):
                self.assertEqual(
                    compared.alike[kind], compared.theirs[kind], compared.differing[:3]
                )
                self.assertEqual(compared.ours[kind], compared.theirs[kind])
        self.assertGreaterEqual(compared.alike["slurs"], 0.995 * compared.theirs["slurs"])
