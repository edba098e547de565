"""The treble clef of old editions for the cello, an octave above the sound.

Until late in the nineteenth century a treble clef in a cello part was meant an octave lower, unless
it followed the tenor clef (common practice, no source). A file copied from such an edition tells
the written pitch, and nothing else; what gives it away is a leap into the clef and out of it.
"""

from collections.abc import Collection, Sequence
from itertools import pairwise
from xml.etree.ElementTree import Element

from lefthand.music.reading.notes import Written

OCTAVE = 12
LEAPS_LESS = 5.0  # semitones each change of clef, in the mean, when an octave lower


def is_plain_treble(clef: Element) -> bool:
    """A treble clef without an octave of its own."""
    octaves = (clef.findtext("clef-octave-change") or "0").strip()
    return (clef.findtext("sign") or "").strip() == "G" and octaves in ("", "0")


def looks_old(found: Sequence[tuple[object, int, Written]], in_treble: Collection[int]) -> bool:
    """True where the line leaps less into the treble clef and out of it when it is read an octave
    lower. found: in the order of the file; in_treble: numbers of the notes under that clef."""
    tones = [written.tone for _, _, written in found if written.tone and not written.joins]
    written = lower = changes = 0
    for one, two in pairwise(tones):
        was, now = one.number in in_treble, two.number in in_treble
        if was == now:
            continue
        leap = two.pitch.midi - one.pitch.midi
        changes += 1
        written += abs(leap)
        lower += abs(leap - OCTAVE if now else leap + OCTAVE)
    return changes > 0 and (written - lower) / changes >= LEAPS_LESS
