"""The same files read by music21, a general notation library, note by note.

Compared by place in the bar, as music21 lets bars of unequal length drift apart over a whole part.
Its corpus is used as data for tests only and is not shipped.
"""

import random
import warnings
from collections import Counter
from dataclasses import dataclass, field
from pathlib import Path

import music21

from lefthand.music.reading.parts import parts_of
from lefthand.music.reading.reader import read_piece
from lefthand.music.reading.unpacking import score_elements

CORPUS = Path(music21.__file__).parent / "corpus"
DIGITS = 3


@dataclass
class Compared:
    """Notes of music21's, ours, and those alike; the same of grace notes, ties, slurs, fingers."""

    parts: int = 0
    theirs: Counter = field(default_factory=Counter)
    ours: Counter = field(default_factory=Counter)
    alike: Counter = field(default_factory=Counter)
    differing: list = field(default_factory=list)

    def add(self, name, kind, theirs, ours):
        self.theirs[kind] += theirs.total()
        self.ours[kind] += ours.total()
        self.alike[kind] += (theirs & ours).total()
        if theirs != ours:
            self.differing.append((name, kind, list((theirs - ours).items())[:2]))


def corpus_files(count, seed):
    found = sorted(p for end in ("mxl", "xml", "musicxml") for p in CORPUS.rglob(f"*.{end}"))
    return random.Random(seed).sample(found, min(count, len(found)))


def compare(path, compared):
    data = path.read_bytes()
    parts = parts_of(score_elements(data))
    if any(_staves(bars) > 1 for _, bars in parts):
        return
    with warnings.catch_warnings():
        warnings.simplefilter("ignore")
        score = music21.converter.parse(path, forceSource=True).toSoundingPitch()
    if len(score.parts) != len(parts):
        return
    for (part, _), reference in zip(parts, score.parts, strict=True):
        ours, theirs = _ours(read_piece(data, part.id)), _theirs(reference)
        compared.parts += 1
        for kind, found in theirs.items():
            compared.add(f"{path.name} {part.id}", kind, found, ours[kind])


def _staves(bars):
    return max([int(e.text or 1) for bar in bars for e in bar.iter("staves")] or [1])


def _ours(piece):
    found = {kind: Counter() for kind in ("notes", "ties", "graces", "fingers", "slurs")}
    for event in piece.events:
        at = round(float(event.onset - piece.bars[event.bar].onset), DIGITS)
        found["slurs"]["all"] += event.slurs_begin
        for tone in event.tones:
            found["fingers"]["all"] += len(tone.fingers)
            if event.is_grace:
                found["graces"][event.bar, tone.pitch.midi] += 1
                continue
            found["notes"][event.bar, at, tone.pitch.midi] += 1
            found["ties"][tone.tied_to, tone.tied_from] += 1
    return found


def _theirs(part):
    found = {kind: Counter() for kind in ("notes", "ties", "graces", "fingers", "slurs")}
    found["slurs"]["all"] = len(part.recurse().getElementsByClass(music21.spanner.Slur))
    for bar, measure in enumerate(part.getElementsByClass("Measure")):
        heard = set()
        for element in measure.flatten().notes:
            if isinstance(element, music21.harmony.ChordSymbol):
                continue
            marks = music21.articulations.Fingering
            found["fingers"]["all"] += sum(isinstance(a, marks) for a in element.articulations)
            at = round(float(element.offset), DIGITS)
            for note in getattr(element, "notes", [element]):
                if not hasattr(note, "pitch"):
                    continue
                midi = round(note.pitch.ps)
                if element.duration.isGrace:
                    found["graces"][bar, midi] += 1
                    continue
                if (at, midi) in heard:  # two voices on one pitch count once with us
                    continue
                heard.add((at, midi))
                tie = note.tie.type if note.tie else ""
                found["notes"][bar, at, midi] += 1
                found["ties"][tie in ("start", "continue"), tie in ("stop", "continue")] += 1
    return found
