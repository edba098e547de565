"""Where the hand can let go in a line: rests, breaths, open strings, ends of phrases, shifts and
long notes; and which of these to mark, so that no stretch is longer than the level bears."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from lefthand.passage.levels import Ease
from lefthand.passage.places import Hand
from lefthand.passage.played import STOPS, Played
from lefthand.values.said import said
from lefthand.words import words_of

REST, BREATH, OPEN_STRING, PHRASE_END, SHIFT, LONG_NOTE, END, STOP = (
    "rest",
    "breath",
    "open_string",
    "phrase_end",
    "shift",
    "long_note",
    "end",
    "stop",
)
GOOD = 0.4
LATER_PART = 0.35  # of a stretch, before which nothing is marked
MORE_NOTES = 1.5


@dataclass(frozen=True, slots=True)
class Release:
    """The hand lets go in or after the note `place` of the line. quality: 0 to 1."""

    place: int
    bar: int
    kind: str
    quality: float

    @property
    def words(self) -> str:
        words: str = words_of(said(f"release-{self.kind.replace('_', '-')}"))
        return words


def natural_release(
    line: Sequence[Played], hands: Sequence[Hand | None], place: int
) -> tuple[float, str]:
    """How well the hand can let go in or after a note, 0 to 1, and what lets it; "" for nothing."""
    if place + 1 == len(line):
        return 1.0, END
    note, following, hand = line[place], line[place + 1], hands[place]
    found = [(0.0, "")]
    if following.rest >= 0.2:
        found.append((1.0 if following.rest >= 0.4 else 0.8, REST))
    if note.marks & STOPS:
        found.append((0.9, BREATH))
    if hand is not None and not any(p.on_string for p in hand.places) and not note.is_grace:
        enough = note.seconds >= 0.2
        found.append((min(0.9, 0.4 + note.seconds) if enough else 0.2, OPEN_STRING))
    if note.ends_phrase:
        found.append((0.7, PHRASE_END))
    after = hands[place + 1]
    if hand is not None and after is not None and abs(hand.base - after.base) >= 2:
        found.append((0.5 if following.at - note.at >= 0.2 else 0.3, SHIFT))
    if note.seconds >= 1.0:
        found.append((0.4, LONG_NOTE))
    return max(found)


def release_places(
    line: Sequence[Played], hands: Sequence[Hand | None], ease: Ease
) -> list[Release]:
    """The best place in the later part of each stretch; where there is none, a stop for practice
    at a bar line."""
    found: list[Release] = []
    begun, count = (line[0].at if line else 0.0), 0
    window: list[tuple[float, float, int, str]] = []
    for place, note in enumerate(line):
        hand = hands[place]
        if hand is None or note.is_grace:
            continue
        count += any(p.finger for p in hand.places)
        quality, kind = _candidate(line, hands, place)
        end = note.at + note.seconds
        is_late = end - begun > LATER_PART * ease.longest or kind in (REST, END)
        if quality > 0 and is_late:
            window.append((quality, end, place, kind))
        is_due = end - begun >= ease.longest or count >= MORE_NOTES * ease.notes or kind == END
        if is_due and window:
            quality, begun, at, kind = max(window)
            found.append(Release(at, line[at].bar, kind, round(quality, 2)))
            count = sum(_is_stopped(hands[n]) for n in range(at + 1, place + 1))
            window = [w for w in window if w[2] > at and w[1] - begun > LATER_PART * ease.longest]
    return found


def with_chosen(
    releases: Sequence[Release],
    line: Sequence[Played],
    hands: Sequence[Hand | None],
    chosen: Mapping[int, bool],
) -> list[Release]:
    """The teacher's word over what is proposed: a place is added, or taken out."""
    kept = {each.place: each for each in releases if chosen.get(each.place, True)}
    for place, is_in in chosen.items():
        if is_in and place not in kept:
            quality, kind = natural_release(line, hands, place)
            kept[place] = Release(place, line[place].bar, kind or STOP, quality)
    return [kept[place] for place in sorted(kept)]


def _candidate(
    line: Sequence[Played], hands: Sequence[Hand | None], place: int
) -> tuple[float, str]:
    quality, kind = natural_release(line, hands, place)
    if quality >= GOOD:
        return quality, kind
    is_bar_line = place + 1 < len(line) and line[place + 1].bar != line[place].bar
    return (0.1, STOP) if is_bar_line else (0.0, "")


def _is_stopped(hand: Hand | None) -> bool:
    return hand is not None and any(place.finger for place in hand.places)
