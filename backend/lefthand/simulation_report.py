"""The simulation as a table, on all cores: `python -m lefthand simulate`."""

import os
from collections.abc import Iterable, Iterator
from concurrent.futures import ProcessPoolExecutor
from functools import reduce
from itertools import repeat
from operator import add

from lefthand.catalogue import load_catalogue
from lefthand.simulation import CALM, TIMES, Disturbance, Tally, simulate
from lefthand.vocabulary import Instrument

DISTURBED = Disturbance(strengths=0.3, misgraded=0.1)
CHUNK = 25


def report(instruments: Iterable[Instrument], players: int, seed: int) -> Iterator[str]:
    """Lines of the table, instrument by instrument."""
    yield f"Share of {players} simulated players (seed {seed}) whose leading cause is truly there"
    yield "after so many seconds of lesson:"
    heads = "".join(f"{time:>7} s" for time in TIMES)
    for instrument in instruments:
        for name, disturbance in (("", CALM), (", strengths and grades disturbed", DISTURBED)):
            tally = _on_all_cores(instrument, players, seed, disturbance)
            yield ""
            yield f"{instrument.value}{name:<34}{heads}"
            for policy, hits in tally.by_policy.items():
                shares = "".join(f"{hits[time] / players:>9.3f}" for time in TIMES)
                yield f"  {policy:<34}{shares}"
            yield f"  {'everything checked':<34}{tally.everything / players:>9.3f}"


def _on_all_cores(
    instrument: Instrument, players: int, seed: int, disturbance: Disturbance
) -> Tally:
    starts = range(0, players, CHUNK)
    chunks = [range(start, min(start + CHUNK, players)) for start in starts]
    with ProcessPoolExecutor(os.cpu_count()) as pool:
        tallies = pool.map(_chunk, repeat(instrument), chunks, repeat(seed), repeat(disturbance))
        return reduce(add, tallies)


def _chunk(instrument: Instrument, numbers: range, seed: int, disturbance: Disturbance) -> Tally:
    return simulate(load_catalogue(), instrument, numbers, seed=seed, disturbance=disturbance)
