"""What of a passage is put into the user's own score."""

from collections.abc import Mapping

from lefthand.music.reading.marking import Mark
from lefthand.music.strings import FINGERBOARDS
from lefthand.passage.passage import Passage
from lefthand.passage.places import THUMB

STRINGS = 4


def marks_of(passage: Passage, *, all_fingers: bool = False) -> Mapping[int, Mark]:
    """By the number of the note. Fingers where the hand or the string changes, where they are
    printed or wished, for a stop that is an open string too, for a harmonic, or all; strings where
    one would not expect them; places to let go; mm that lie beyond the hand.
    """
    opened = {string.midi for string in FINGERBOARDS[passage.asked.instrument].strings}
    beyond = {each.note: each.beyond for each in passage.demands if each.beyond}
    lets_go = {release.place for release in passage.releases}
    found: dict[int, Mark] = {}
    before: tuple[int, int] | None = None
    for place, (note, hand) in enumerate(zip(passage.line, passage.fingering.hands, strict=True)):
        if hand is None:
            continue
        here = (hand.base, hand.places[-1].string)
        is_told = all_fingers or here != before or place in passage.asked.wishes
        before = here
        sounding = sorted(note.tones, key=lambda tone: tone.pitch.midi)
        for tone, stop in zip(reversed(sounding), reversed(hand.places), strict=False):
            is_either = stop.is_harmonic or (bool(stop.finger) and tone.pitch.midi in opened)
            finger = stop.finger if is_told or is_either or tone.fingers else None
            shown = None if finger is None or finger == THUMB else finger
            is_odd = stop.finger and stop.semitones > 7 and stop.string < STRINGS - 1
            found[tone.number] = Mark(
                finger=shown,
                string=STRINGS - stop.string if is_odd and is_told else None,
                lets_go=place in lets_go and tone is sounding[0],
                beyond=round(beyond[place]) if place in beyond and tone is sounding[-1] else None,
            )
    return found
