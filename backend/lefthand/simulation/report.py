"""The simulation as a table, on all cores: `python -m lefthand simulate`."""

import multiprocessing
import os
from collections.abc import Iterable, Iterator
from concurrent.futures import Executor, ProcessPoolExecutor
from functools import reduce
from itertools import repeat
from operator import add

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.simulation.players import CALM, TIMES, Disturbance, Tally, simulate
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


def _chunk(instrument: Instrument, numbers: range, seed: int, disturbance: Disturbance) -> Tally:
    return simulate(load_catalogue(), instrument, numbers, seed=seed, disturbance=disturbance)
