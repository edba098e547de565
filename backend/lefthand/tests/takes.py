"""Drills and made-up takes for the tests of sound."""

from dataclasses import replace
from functools import cache

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.music.drill_json import drill_json
from lefthand.music.request import DrillRequest
from lefthand.sound.player import Playing, play
from lefthand.sound.recording import recording_of
from lefthand.sound.score import Score, parse_score
from lefthand.sound.take import measure_take
from lefthand.values.vocabulary import Instrument

RATE = 24_000


@cache
def drill(
    name="four_by_four", instrument="vn", tempo=120, bars=8, string=None, seed=1, slurred=True
):
    kind = Instrument(instrument)
    request = DrillRequest(
        instrument=kind, tempo=tempo, bars=bars, string=string, slurred=slurred, seed=seed
    )
    return drill_json(make_drill(free_recipe(name, kind, load_catalogue()), request, ()))


def score(*arguments, **options) -> Score:
    return parse_score(drill(*arguments, **options))


def at_speed(slow: Score, times: float) -> Score:
    """The same notes so many times as fast."""
    notes = tuple(
        replace(note, onset=note.onset / times, seconds=note.seconds / times) for note in slow.notes
    )
    return replace(slow, notes=notes)


def made(of: Score, how: Playing | None = None, seed=1):
    """What was played, and its recording."""
    take = play(of, how or Playing(), seed, RATE)
    return take, recording_of(take.samples, take.rate)


def measured(of: Score, how: Playing | None = None, seed=1):
    take, recording = made(of, how, seed)
    return take, measure_take(recording, of)
