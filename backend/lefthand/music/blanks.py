"""What of a drill is left to the player: one note a bar, or every second bar."""

from collections.abc import Iterator
from dataclasses import replace
from enum import StrEnum
from random import Random

from lefthand.music.score import Drill, Event


class Blanks(StrEnum):
    NOTES = "notes"
    BARS = "bars"


def with_blanks(drill: Drill, blanks: Blanks) -> Drill:
    """The drill with the mark "blank" on every event that is left to the player. The same drill has
    the same blanks, on paper and in the beat; another order of notes has others."""
    choose = _one_a_bar if blanks is Blanks.NOTES else _every_second
    bars = list(choose(drill))
    following = [event for bar in bars for event in bar][1:]
    ahead = iter([*following, None])
    return replace(
        drill, bars=tuple(tuple(_no_slide_into(each, next(ahead)) for each in bar) for bar in bars)
    )


def left_to_player(drill: Drill) -> list[bool]:
    """For each tone of the drill, in order, whether its event is blank."""
    return ["blank" in event.marks for _, event in drill.events() for _ in event.tones]


def _one_a_bar(drill: Drill) -> Iterator[tuple[Event, ...]]:
    """Never the first note of a bar, which says where one is, but where there is no other."""
    # A seed of the music alone: the same in every process.
    dice = Random("".join(map(str, drill.pitches())))
    for bar in drill.bars:
        sounding = [place for place, event in enumerate(bar) if not event.is_rest]
        left = dice.choice(sounding[1:] or sounding) if sounding else None
        yield tuple(_blank(each) if place == left else each for place, each in enumerate(bar))


def _every_second(drill: Drill) -> Iterator[tuple[Event, ...]]:
    for number, bar in enumerate(drill.bars):
        yield tuple(map(_blank, bar)) if number % 2 else bar


def _blank(event: Event) -> Event:
    return event if event.is_rest else replace(event, marks=event.marks - {"slide"} | {"blank"})


def _no_slide_into(event: Event, following: Event | None) -> Event:
    """A line that slides to a blank note would say where that is."""
    if following is None or "blank" not in following.marks:
        return event
    return replace(event, marks=event.marks - {"slide"})
