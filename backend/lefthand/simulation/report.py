"""The simulation as a table, on all cores: `python -m lefthand simulate`."""

import multiprocessing
import os
import statistics
from collections.abc import Iterable, Iterator
from concurrent.futures import Executor, ProcessPoolExecutor
from functools import reduce
from itertools import repeat
from operator import add

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.simulation.players import CALM, TIMES, Disturbance, Tally, simulate
from lefthand.simulation.whole_lessons import CALLED, LessonTally, simulate_lessons
from lefthand.values.vocabulary import Instrument

DISTURBED = Disturbance(strengths=0.3, misgraded=0.1)
CHUNK = 25


def report(instruments: Iterable[Instrument], players: int, seed: int) -> Iterator[str]:
    """Lines of the table, instrument by instrument."""
    yield f"Share of {players} simulated players (seed {seed}) whose leading cause is truly there"
    yield "after so many seconds of lesson:"
    heads = "".join(f"{time:>7} s" for time in TIMES)
    with _workers() as pool:
        for instrument in instruments:
            for name, disturbance in (("", CALM), (", strengths and grades disturbed", DISTURBED)):
                tally = _in_chunks(pool, instrument, players, seed, disturbance)
                yield ""
                yield f"{instrument.value}{name:<34}{heads}"
                for policy, hits in tally.by_policy.items():
                    shares = "".join(f"{hits[time] / players:>9.3f}" for time in TIMES)
                    yield f"  {policy:<34}{shares}"
                yield f"  {'everything checked':<34}{tally.everything / players:>9.3f}"
                led = _lessons_in_chunks(pool, instrument, players, seed, disturbance)
                yield from _lesson_lines(led)


def _lesson_lines(led: LessonTally) -> Iterator[str]:
    """A lesson as it is led, and the one after it."""

    def shares(hits: dict[int, int]) -> str:
        return ", ".join(f"{hits[time] / led.lessons:.3f} at {time} s" for time in hits)

    middle = statistics.median(led.enough_seconds)
    called = ", ".join(
        f"called {low} to {high} true in {led.called(low, high):.3f}" for low, high in CALLED
    )
    yield f"  led from the complaint: {shares(led.true_at)}"
    yield f"  called enough: {led.enough / led.lessons:.3f} (median {middle:g} s)"
    yield f"  the lesson after it: {shares(led.second)}"
    yield f"  calibration error {led.calibration_error():.4f}; {called}"


def _workers() -> Executor:
    """A process a core, each with one thread of linear algebra: more only wait for each other."""
    os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
    return ProcessPoolExecutor(os.cpu_count(), mp_context=multiprocessing.get_context("spawn"))


def _in_chunks(
    pool: Executor, instrument: Instrument, players: int, seed: int, disturbance: Disturbance
) -> Tally:
    starts = range(0, players, CHUNK)
    chunks = [range(start, min(start + CHUNK, players)) for start in starts]
    tallies = pool.map(_chunk, repeat(instrument), chunks, repeat(seed), repeat(disturbance))
    return reduce(add, tallies)


def _lessons_in_chunks(
    pool: Executor, instrument: Instrument, players: int, seed: int, disturbance: Disturbance
) -> LessonTally:
    chunks = [range(at, min(at + CHUNK, players)) for at in range(0, players, CHUNK)]
    tallies = pool.map(_lesson_chunk, repeat(instrument), chunks, repeat(seed), repeat(disturbance))
    return reduce(add, tallies)


def _lesson_chunk(
    instrument: Instrument, numbers: range, seed: int, disturbance: Disturbance
) -> LessonTally:
    return simulate_lessons(
        load_catalogue(), instrument, numbers, seed=seed, disturbance=disturbance
    )


def _chunk(instrument: Instrument, numbers: range, seed: int, disturbance: Disturbance) -> Tally:
    return simulate(load_catalogue(), instrument, numbers, seed=seed, disturbance=disturbance)
