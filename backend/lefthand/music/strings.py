"""Pitches, strings and clefs of the four instruments. A4 = 440 Hz is MIDI 69 (ISO 16:1975)."""

from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

STEP_NAMES = "CDEFGAB"
STEP_SEMITONES = (0, 2, 4, 5, 7, 9, 11)


@dataclass(frozen=True, slots=True, order=True)
class Pitch:
    """A spelled pitch: step 0..6 from C, octave as in scientific notation, alter in semitones.

    Prints as "F#4"; `Pitch.parse` reads that back.
    """

    octave: int
    step: int
    alter: int = 0

    @property
    def midi(self) -> int:
        return 12 * (self.octave + 1) + STEP_SEMITONES[self.step] + self.alter

    @property
    def letter(self) -> str:
        return STEP_NAMES[self.step]

    def __str__(self) -> str:
        sign = "#" * self.alter if self.alter > 0 else "b" * -self.alter
        return f"{self.letter}{sign}{self.octave}"

    @classmethod
    def parse(cls, text: str) -> "Pitch":
        """Read "F#4", "Bb3" or "C4". Raises InputError."""
        letter, signs, octave = text[:1].upper(), text[1:-1], text[-1:]
        if letter not in STEP_NAMES or not letter or not octave.isdigit():
            raise InputError("pitch", f"expected a pitch such as F#4, got {text!r}")
        if set(signs) not in (set(), {"#"}, {"b"}):
            raise InputError("pitch", f"expected a pitch such as F#4, got {text!r}")
        return cls(int(octave), STEP_NAMES.index(letter), signs.count("#") - signs.count("b"))

    def above(self, steps: int, semitones: int) -> "Pitch":
        """The pitch `steps` letters and `semitones` higher (lower when negative)."""
        index = self.step + steps
        plain = Pitch(self.octave + index // 7, index % 7)
        return Pitch(plain.octave, plain.step, self.midi + semitones - plain.midi)

    def simple(self) -> "Pitch":
        """The same sound with one sharp or flat at most: a double flat is the letter below."""
        if abs(self.alter) <= 1:
            return self
        return self.above(1 if self.alter > 0 else -1, 0).simple()


@dataclass(frozen=True, slots=True)
class Fingerboard:
    """strings: open strings, lowest first. clef: sign, line. octave_written: octaves written above
    the sound."""

    strings: tuple[Pitch, ...]
    clef: tuple[str, int]
    octave_written: int = 0


def _open(*names: str) -> tuple[Pitch, ...]:
    return tuple(Pitch.parse(n) for n in names)


FINGERBOARDS: Mapping[Instrument, Fingerboard] = {
    Instrument.VIOLIN: Fingerboard(_open("G3", "D4", "A4", "E5"), ("G", 2)),
    Instrument.VIOLA: Fingerboard(_open("C3", "G3", "D4", "A4"), ("C", 3)),
    Instrument.CELLO: Fingerboard(_open("C2", "G2", "D3", "A3"), ("F", 4)),
    Instrument.BASS: Fingerboard(_open("E1", "A1", "D2", "G2"), ("F", 4), octave_written=1),
}
