"""Drills against the world outside: the published MusicXML 4.0 schema, a reference notation library
and a MIDI reader.

Schema: MusicXML 4.0 (W3C Music Notation Community Group, 2021), as the package `musicxml` ships it.
The two namespaces that it imports from the network (xml:, xlink:) are declared here by hand, as
plain text attributes; drills use neither.
"""

from importlib.resources import files
from io import BytesIO
from unittest import TestCase

import mido
import music21
from lxml import etree

from lefthand.music.midi import PROGRAMS, to_midi
from lefthand.music.musicxml import to_musicxml
from lefthand.tests.drills import all_free, all_steps, free
from lefthand.values.vocabulary import Instrument

NAMESPACES = {
    "xml.xsd": ("http://www.w3.org/XML/1998/namespace", ("lang", "space", "base", "id")),
    "xlink.xsd": (
        "http://www.w3.org/1999/xlink",
        ("href", "type", "role", "title", "show", "actuate"),
    ),
}


class LocalNamespaces(etree.Resolver):
    def resolve(self, url, _public_id, context):
        name = url.rsplit("/", 1)[-1]
        if name not in NAMESPACES:
            return None
        namespace, attributes = NAMESPACES[name]
        declared = "".join(f'<xs:attribute name="{a}" type="xs:string"/>' for a in attributes)
        text = (
            f'<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" targetNamespace="{namespace}">'
            f"{declared}</xs:schema>"
        )
        return self.resolve_string(text, context)


def schema():
    parser = etree.XMLParser(no_network=True)
    parser.resolvers.add(LocalNamespaces())
    path = files("musicxml").joinpath("generate_classes/musicxml_4_0.xsd")
    return etree.XMLSchema(etree.parse(BytesIO(path.read_bytes()), parser))


class Schema(TestCase):
    tags = {"long"}

    def test_every_drill_is_valid_musicxml(self):
        valid = schema()
        parser = etree.XMLParser(load_dtd=False, no_network=True)
        for drill in (*all_free(), *(found[-1] for found in all_steps(fingers=((), (4,))))):
            document = etree.fromstring(to_musicxml(drill).encode(), parser)
            with self.subTest(drill=drill.name, instrument=drill.instrument):
                self.assertTrue(valid.validate(document), valid.error_log)

    def test_the_schema_refuses_what_is_wrong(self):
        text = to_musicxml(free("touch_rest"))
        broken = etree.fromstring(
            text.replace("<step>", "<stair>").replace("</step>", "</stair>").encode()
        )
        self.assertFalse(schema().validate(broken))


class Reference(TestCase):
    def test_a_notation_library_reads_pitch_length_finger_and_string(self):
        for instrument in Instrument:
            for name in ("frame_pattern", "double_ring", "tune_with_stops", "trill_burst"):
                drill = free(name, instrument, tempo=60, fingers=(4,), seed=3)
                score = music21.converter.parseData(to_musicxml(drill), format="musicxml")
                part = score.parts[0].toSoundingPitch().flatten()
                read = [
                    (float(n.offset), float(n.quarterLength), sorted(p.midi for p in n.pitches))
                    for n in part.notes
                ]
                wrote = [
                    (float(at), float(e.length), sorted(t.pitch.midi for t in e.tones))
                    for at, e in drill.events()
                    if e.tones
                ]
                with self.subTest(drill=name, instrument=instrument):
                    self.assertEqual(read, wrote)
                    fingers = [
                        a.fingerNumber
                        for n in part.notes
                        for a in n.articulations
                        if isinstance(a, music21.articulations.Fingering)
                    ]
                    expected = [t.finger for _, e in drill.events() for t in e.tones]
                    self.assertEqual(sorted(fingers), sorted(expected))


class Midi(TestCase):
    def test_a_midi_reader_hears_the_same_notes_at_the_same_seconds(self):
        for instrument in Instrument:
            drill = free("touch_rest", instrument, tempo=90)
            file = mido.MidiFile(file=BytesIO(to_midi(drill)))
            now, heard = 0.0, []
            for message in file:
                now += message.time
                if message.type == "note_on":
                    heard.append((round(now, 3), message.note))
            beat = 60 / drill.tempo
            wrote = [
                (round(float(at) * beat, 3), t.pitch.midi)
                for at, e in drill.events()
                for t in e.tones
            ]
            with self.subTest(instrument):
                self.assertEqual(heard, wrote)
                self.assertAlmostEqual(file.length, 4 * len(drill.bars) * beat, places=2)
                programs = [m.program for m in file.tracks[0] if m.type == "program_change"]
                self.assertEqual(programs, [PROGRAMS[instrument]])
