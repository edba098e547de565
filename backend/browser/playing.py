"""Made-up recordings for the tests of takes."""

import numpy as np
import soundfile

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.music.drill_json import drill_json
from lefthand.music.request import DrillRequest
from lefthand.sound.player import Playing, play
from lefthand.sound.score import parse_score
from lefthand.values.vocabulary import Instrument, Level

RATE = 48_000
COUNTED = 4  # quarters


def write_take(path, whose, evidence, *, is_fast=False, is_counted_in=False, **how):
    """What a demo player is asked to play for a check, as a file. is_counted_in: who plays waits
    for the music to begin."""
    asked = load_catalogue().takes[evidence]
    request = DrillRequest(
        instrument=Instrument(whose.instrument),
        tempo=asked.tempo_for(Level(whose.level), is_fast=is_fast),
        bars=asked.bars,
        slurred=asked.slurred,
        seed=1,
    )
    recipe = free_recipe(asked.drill, request.instrument, load_catalogue())
    score = parse_score(drill_json(make_drill(recipe, request, ())))
    made = play(score, Playing(**how), 1, RATE)
    waits = np.zeros(round(COUNTED * 60 / request.tempo * RATE) if is_counted_in else 0)
    soundfile.write(path, np.concatenate([waits, made.samples]), RATE)
