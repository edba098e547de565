"""How long one new entry takes the core, on one core of the machine: `python -m bench`.

Times are medians over simulated lessons of eight findings. The same posteriors are computed in the
same run with pyagrum, a general-purpose library for Bayesian networks (its network built
beforehand, with the graded evidence only), and compared: the ratio says how much faster or slower
ours is, the difference how equal the two are. What the bound on the number of causes moves is told
against pyagrum without a bound.
"""

import os

os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

import random
import statistics
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from lefthand.case.parsing import parse_case
from lefthand.catalogue.catalogue import Catalogue, load_catalogue
from lefthand.practice.planning import prescribe
from lefthand.reason.diagnosis import Diagnosis, counted_findings, diagnose
from lefthand.reason.explain import view_causes
from lefthand.reason.network import MAX_CAUSES, network_for, posterior
from lefthand.simulation.players import draw_player, proposed_looks
from lefthand.tests.reference_network import ReferenceNetwork, untempered
from lefthand.values.vocabulary import Instrument

LESSONS = 15
FINDINGS = 8
SEED = 1


@dataclass(frozen=True, slots=True)
class Row:
    """Medians in milliseconds; differences of probabilities, greatest over all."""

    instrument: str
    posterior: float
    reference: float
    explanations: float
    next_look: float
    whole_entry: float
    enough: float
    plan: float
    difference: float
    bound_median: float
    bound_most: float


def lessons(instrument: Instrument, catalogue: Catalogue, count: int) -> Iterator[dict[str, int]]:
    """Grades of simulated lessons that followed the next look."""
    chooser = random.Random(f"{SEED}/{instrument.value}")
    for _ in range(count):
        player = draw_player(catalogue, instrument, chooser)
        checks = proposed_looks(player, instrument, catalogue, chooser)
        yield {e.id: player.reports[e.id] for e, _ in zip(checks, range(FINDINGS), strict=False)}


def timed(work: Callable[[], object]) -> float:
    start = time.perf_counter()
    work()
    return 1000 * (time.perf_counter() - start)


def measure(instrument: Instrument, catalogue: Catalogue, count: int = LESSONS) -> Row:
    network = untempered(network_for(catalogue, instrument))
    priors = {c.id: c.prior for c in catalogue.causes_of(instrument)}
    evidence = catalogue.evidence_of(instrument)
    times: dict[str, list[float]] = {}
    differences, moved = [0.0], []

    def note(name: str, work: Callable[[], object]) -> None:
        times.setdefault(name, []).append(timed(work))

    for grades in lessons(instrument, catalogue, count):
        data = {"format": "jolf-case/1", "instrument": instrument.value, "observations": grades}
        case = parse_case(data, catalogue)
        findings, _ = counted_findings(case, catalogue)
        counted = {name: finding.grade for name, finding in findings.items()}
        bounded = ReferenceNetwork(priors, evidence, counted, MAX_CAUSES)
        free = ReferenceNetwork(priors, evidence, counted, None)
        result = posterior(network, counted)
        note("posterior", lambda c=counted: posterior(network, c))
        note("reference", lambda b=bounded, c=counted: b.posterior(c))
        note("explanations", lambda r=result, f=findings: view_causes(r, f, catalogue))
        seen = diagnose(case, catalogue)
        note("next_look", lambda s=seen: s.next_look)
        note("enough", lambda s=seen: s.enough)
        note("plan", lambda s=seen: prescribe(s, catalogue))
        note("whole_entry", lambda c=case: _whole_entry(diagnose(c, catalogue)))
        expected, unbound = bounded.posterior(counted), free.posterior(counted)
        differences += [abs(expected[c] - result.probability(c)) for c in priors]
        moved.append(max(abs(unbound[c] - result.probability(c)) for c in priors))
    medians = {name: statistics.median(found) for name, found in times.items()}
    return Row(
        instrument=instrument.value,
        difference=max(differences),
        bound_median=statistics.median(moved),
        bound_most=max(moved),
        **medians,
    )


def _whole_entry(seen: Diagnosis) -> object:
    """What the screen needs after an entry: posterior and explanations are there, and the look."""
    return seen.next_look


def table() -> Iterator[str]:
    catalogue = load_catalogue()
    yield f"{LESSONS} simulated lessons an instrument, {FINDINGS} findings each; medians in ms"
    yield (
        f"{'':4}{'posterior':>10}{'pyagrum':>9}{'ratio':>8}{'reasons':>9}{'look':>7}"
        f"{'entry':>8}{'enough':>8}{'plan':>7}"
    )
    rows = [measure(instrument, catalogue) for instrument in Instrument]
    for row in rows:
        yield (
            f"{row.instrument:4}{row.posterior:>10.2f}{row.reference:>9.2f}"
            f"{row.posterior / row.reference:>8.3f}{row.explanations:>9.2f}{row.next_look:>7.2f}"
            f"{row.whole_entry:>8.2f}{row.enough:>8.2f}{row.plan:>7.2f}"
        )
    yield "entry: posterior, reasons and next look together. ratio: ours to pyagrum's."
    yield f"greatest difference from pyagrum: {max(row.difference for row in rows):.1e}"
    for row in rows:
        yield (
            f"{row.instrument}: at most {MAX_CAUSES} causes at once moves the most moved cause by "
            f"{row.bound_median:.3f} (median lesson), {row.bound_most:.3f} at most"
        )


def main() -> None:
    if hasattr(os, "sched_setaffinity"):
        os.sched_setaffinity(0, {min(os.sched_getaffinity(0))})
    for line in table():
        print(line, flush=True)


if __name__ == "__main__":
    main()
