"""Marks in a user's own score: nothing lost, as valid as before, read back the same; and only what is
harmless is drawn."""

from collections import Counter
from unittest import TestCase

import music21
from lxml import etree

from lefthand.music.reading.marking import Mark, drawn_part, marked_score, note_id
from lefthand.music.reading.reader import read_piece
from lefthand.music.reading.unpacking import score_elements
from lefthand.passage.marks import marks_of
from lefthand.passage.passage import Asked, read_passage
from lefthand.tests.reference_reading import CORPUS
from lefthand.tests.scores import melody_bytes, note, packed, score
from lefthand.tests.test_fingering import QUARTETS
from lefthand.tests.test_music_outside import schema
from lefthand.values.vocabulary import Instrument

SIX_EIGHT = "<time><beats>6</beats><beat-type>8</beat-type></time>"


def sounding(piece):
    return [
        (event.onset, event.length, [(tone.pitch, tone.tied_to) for tone in event.tones])
        for event in piece.events
    ]


def contents(root):
    return Counter((element.tag, (element.text or "").strip()) for element in root.iter())


def faults(data):
    valid = schema()
    valid.validate(etree.fromstring(data))
    return Counter(error.type_name for error in valid.error_log)


def marked_quartet(name):
    data = (CORPUS / name).read_bytes()
    piece = read_piece(data, "1")
    marks = marks_of(read_passage(piece, Asked(Instrument.VIOLIN)), all_fingers=True)
    return data, piece, marks


class GivenBack(TestCase):
    tags = {"long"}

    def test_nothing_is_lost_and_it_reads_the_same(self):
        for name in QUARTETS:
            data, piece, marks = marked_quartet(name)
            after = marked_score(data, piece.part, marks)
            with self.subTest(name):
                self.assertEqual(
                    contents(score_elements(data)) - contents(score_elements(after)), Counter()
                )
                again = read_piece(after, "1")
                self.assertEqual(sounding(again), sounding(piece))
                told = sum(len(t.fingers) for e in again.events for t in e.tones)
                self.assertGreater(told, 0.9 * len(piece.events))
                other = read_piece(after, "2")
                self.assertEqual(sum(len(t.fingers) for e in other.events for t in e.tones), 0)

    def test_it_is_as_valid_as_it_was(self):
        """By the MusicXML 4.0 schema (W3C), as shipped with the package `musicxml`."""
        for data in (melody_bytes("A4 B4 (C#5 D5) E5^4 r:3"), packed(melody_bytes("A4 B4"))):
            piece = read_piece(data)
            marks = {
                tone.number: Mark(2, 3, lets_go=True) for e in piece.events for tone in e.tones
            }
            after = marked_score(data, piece.part, marks)
            plain = marked_score(data, piece.part, {})
            self.assertEqual(faults(after), faults(plain))

    def test_a_finger_takes_the_place_of_the_printed_one(self):
        data = melody_bytes("A4^4 B4")
        piece = read_piece(data)
        marks = {1: Mark(finger=0), 2: Mark(string=3, lets_go=True)}
        first, second = read_piece(marked_score(data, piece.part, marks)).events
        self.assertEqual(first.tones[0].fingers, ("0",))
        self.assertEqual((second.tones[0].string, second.marks), (3, {"breath-mark"}))


class Drawn(TestCase):
    def test_the_chosen_bars_stand_under_what_was_set_before(self):
        time = "<time><beats>3</beats><beat-type>4</beat-type></time><key><fifths>2</fifths></key>"
        data = melody_bytes("A4 B4 C#5 " * 4, attributes=time, beats=3)
        piece = read_piece(data)
        again = read_piece(drawn_part(data, piece.part, {}, 2, 3).encode())
        self.assertEqual([bar.number for bar in again.bars], ["3", "4"])
        self.assertEqual((again.bars[0].beats, again.bars[0].fifths), (3, 2))
        self.assertEqual(len(again.events), 6)

    def test_each_note_has_its_number_and_its_own_marks_alone(self):
        data = melody_bytes("A4^4 B4")
        drawn = drawn_part(data, read_piece(data).part, {2: Mark(finger=1)}, 0, 0)
        self.assertIn(f'id="{note_id(1)}"', drawn)
        self.assertEqual(drawn.count("<fingering>"), 1)

    def test_a_reader_of_the_marks_plays_the_fingers_that_were_meant(self):
        """Whoever reads no finger takes the open string where there is one, else the plain hand."""
        for taste in ("", "fourths", "open_strings"):
            for text in ("D5 E5 D5 E5 F#5 E5 D5 E5", "G4 A4 G4 A4 B4 A4 G4 A4"):
                piece = read_piece(melody_bytes(text))
                passage = read_passage(piece, Asked(Instrument.VIOLIN, taste=taste))
                marks = marks_of(passage)
                for line, hand in zip(passage.line, passage.fingering.hands, strict=True):
                    tone, stop = line.tones[0], hand.places[0]
                    is_either = tone.pitch.midi in (62, 69, 76)
                    with self.subTest(text, taste=taste, note=tone.number):
                        if is_either and stop.finger:
                            self.assertEqual(marks[tone.number].finger, stop.finger)

    def test_how_far_a_reach_lies_beyond_the_hand_is_drawn_and_not_given_back(self):
        data = melody_bytes("B4 D5 E5^4 B4")
        piece = read_piece(data)
        marks = marks_of(read_passage(piece, Asked(Instrument.VIOLIN, span=40.0)))
        beyond = {number: mark.beyond for number, mark in marks.items() if mark.beyond}
        self.assertTrue(beyond)
        drawn = drawn_part(data, piece.part, marks, 0, 0)
        self.assertEqual(drawn.count(" mm</words>"), len(beyond))
        self.assertNotIn(b" mm", marked_score(data, piece.part, marks))
        wide = marks_of(read_passage(piece, Asked(Instrument.VIOLIN, span=90.0)))
        self.assertFalse(any(mark.beyond for mark in wide.values()))

    def test_nothing_that_is_not_known_is_drawn(self):
        evil = (
            note("A", inside='<lyric onclick="x()"><text>la</text></lyric><script>x()</script>')
            .replace("<note>", '<note id="root" onload="x()" color="url(http://away)">')
            + "<sound/><print/><direction><direction-type><words>&lt;b&gt;</words></direction-type></direction>"
        )  # fmt: skip
        data = score(evil)
        drawn = drawn_part(data, read_piece(data).part, {}, 0, 0)
        for word in (
            "root",
            "number-in-part",
            "onclick",
            "onload",
            "script",
            "away",
            "words",
            "lyric",
            "sound",
        ):
            self.assertNotIn(word, drawn)


class LeftOut(TestCase):
    """A file may leave out shapes, clef and beams: what is drawn has them, as music21 reads it."""

    def drawn(self, data, instrument=Instrument.VIOLIN):
        piece = read_piece(data)
        last = len(piece.bars) - 1
        return music21.converter.parseData(
            drawn_part(data, piece.part, {}, 0, last, instrument), format="musicxml"
        )

    def test_each_length_has_its_shape(self):
        text = "A4:4 A4:3 A4 A4:2 A4:1.5 A4:.5 A4:.5 A4:.25 A4:.25 A4:.75 A4:.25 A4"
        notes = list(self.drawn(melody_bytes(text)).recurse().notes)
        told = [(n.duration.type, n.duration.dots) for n in notes]
        expected = [
            ("whole", 0),
            ("half", 1),
            ("quarter", 0),
            ("half", 0),
            ("quarter", 1),
            ("eighth", 0),
        ]
        self.assertEqual(told[:6], expected)
        self.assertEqual(
            told[6:11], [("eighth", 0), ("16th", 0), ("16th", 0), ("eighth", 1), ("16th", 0)]
        )

    def test_short_notes_are_beamed_within_their_beat(self):
        cases = (
            (
                "4/4",
                "A4:.5 A4:.5 A4:.5 A4:.5 A4 A4",
                "",
                ["start", "stop", "start", "stop", "", ""],
            ),
            (
                "16ths",
                "A4:.25 A4:.25 A4:.25 A4:.25 A4:3",
                "",
                ["start", "continue", "continue", "stop", ""],
            ),
            (
                "6/8",
                "A4:.5 A4:.5 A4:.5 A4:.5 A4:.5 A4:.5",
                SIX_EIGHT,
                ["start", "continue", "stop"] * 2,
            ),
            ("a rest parts them", "A4:.5 r:.5 A4:.5 A4:.5 A4:2", "", ["", "start", "stop", ""]),
            ("one alone", "A4:1.5 A4:.5 A4:2", "", ["", "", ""]),
        )
        for name, text, attributes, expected in cases:
            beats = 3 if attributes else 4
            data = melody_bytes(text, attributes=attributes, beats=beats)
            notes = self.drawn(data).recurse().notes
            with self.subTest(name):
                self.assertEqual(
                    [n.beams.beamsList[0].type if n.beams else "" for n in notes], expected
                )

    def test_what_the_file_says_stays(self):
        own = '<type>eighth</type><beam number="1">begin</beam>'
        last = '<type>eighth</type><beam number="1">end</beam>'
        data = score(
            note(duration=2, inside=own) + note(duration=2) + note(duration=2, inside=last)
        )
        notes = list(self.drawn(data).recurse().notes)
        self.assertEqual([len(n.beams) for n in notes], [1, 0, 1])

    def test_a_part_without_a_clef_has_that_of_its_instrument(self):
        for instrument, sign, line in (
            (Instrument.VIOLIN, "G", 2),
            (Instrument.VIOLA, "C", 3),
            (Instrument.CELLO, "F", 4),
            (Instrument.BASS, "F", 4),
        ):
            clef = (
                self.drawn(score(note()), instrument).recurse().getElementsByClass("Clef").first()
            )
            with self.subTest(instrument):
                self.assertEqual((clef.sign, clef.line), (sign, line))
        told = "<clef><sign>C</sign><line>4</line></clef>"
        clef = (
            self.drawn(score(note(), attributes=told), Instrument.CELLO)
            .recurse()
            .getElementsByClass("Clef")
            .first()
        )
        self.assertEqual((clef.sign, clef.line), ("C", 4))
