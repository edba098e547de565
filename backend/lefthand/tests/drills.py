"""Drills that several tests make: `free()` by name, `of_step()` of an exercise."""

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.composing.compose import free_recipe, make_drill
from lefthand.composing.for_exercise import ForWhom, drill_of
from lefthand.music.request import DrillRequest
from lefthand.music.score import Drill
from lefthand.values.vocabulary import Instrument

CATALOGUE = load_catalogue()


def free(name: str, instrument: Instrument = Instrument.VIOLIN, **wish) -> Drill:
    request = DrillRequest(instrument, **wish)
    return make_drill(free_recipe(name, instrument, CATALOGUE), request)


def names_for(instrument: Instrument) -> list[str]:
    return [name for name, recipes in CATALOGUE.drills.items() if instrument in recipes]


def of_step(
    exercise: str, rung: int, instrument: Instrument | str = "vn", fingers=(), **wish
) -> Drill | None:
    whose = ForWhom(fingers=tuple(fingers), **wish)
    return drill_of(CATALOGUE.exercises[exercise], rung, Instrument(instrument), whose)


def all_free():
    """Every drill of every instrument in each difficulty, for some fingers."""
    for instrument in Instrument:
        for name in names_for(instrument):
            for difficulty in (1, 2, 3):
                for fingers in ((), (4,), (2, 3)):
                    yield free(name, instrument, tempo=72, fingers=fingers, difficulty=difficulty)


def all_steps(seeds=(1,), fingers=((), (1,), (2,), (3,), (4,))):
    """(exercise, rung number, instrument, fingers, drill) of every step that has music."""
    for exercise in CATALOGUE.exercises.values():
        aimed = fingers if exercise.finger is not None else ((),)
        for number in range(1, len(exercise.rungs) + 1):
            for instrument in exercise.instruments:
                for some in aimed:
                    for seed in seeds:
                        drill = of_step(exercise.id, number, instrument, some, seed=seed)
                        if drill is not None:
                            yield exercise, number, instrument, some, drill


def fingers_of(drill: Drill) -> list[int]:
    """The sounding fingers in their order."""
    return [tone.finger for _, event in drill.events() for tone in event.tones]


def bars_of_fingers(drill: Drill) -> list[list[int | None]]:
    """For each bar the finger of each event, None for a rest."""
    return [[e.tones[0].finger if e.tones else None for e in bar] for bar in drill.bars]
