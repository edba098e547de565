"""Tests side by side, the long ones first."""

import gc
import json
import os
from collections.abc import Iterable
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from unittest import TestSuite

from django.conf import settings
from django.test.runner import DiscoverRunner, ParallelTestSuite

from config.testing.progress import shown_progress
from config.testing.results import TimedRemoteRunner, TimedResult

SLOWEST = 50
# Objects made before garbage is looked for; the usual 700 go through all models and rules over
# and over.
COLLECT_AFTER = 100_000
SHARED = "JOLF_TEST_FOLDER"


def shared_folder() -> Path:
    """A folder that all processes of a run share and that ends with it."""
    return Path(os.environ[SHARED])


class LongestFirst(ParallelTestSuite):
    """What takes longest is begun first, so that no process is left with much when the others end.

    A test class that is slow says so: `seconds_each` is what one of its tests takes, about.
    """

    runner_class = TimedRemoteRunner

    def __init__(self, subsuites: list[TestSuite], *others: Any) -> None:
        super().__init__(sorted(subsuites, key=_seconds, reverse=True), *others)


def _seconds(suite: TestSuite) -> float:
    return sum(getattr(test, "seconds_each", 0.5) for test in suite)


class LongestFirstRunner(DiscoverRunner):
    parallel_test_suite = LongestFirst

    def get_resultclass(self) -> type:
        return super().get_resultclass() or TimedResult

    def run_suite(self, suite: TestSuite, **kwargs: Any) -> Any:
        with TemporaryDirectory() as shared, shown_progress(suite.countTestCases()):
            os.environ[SHARED] = shared
            gc.set_threshold(COLLECT_AFTER)
            gc.freeze()
            result = super().run_suite(suite, **kwargs)
        if isinstance(result, TimedResult):
            _write_durations(result)
        return result


def _write_durations(result: TimedResult) -> None:
    """The slowest tests and classes, as a file beside the other results of a run."""
    folder = Path(settings.ROOT) / "build" / "tests"
    folder.mkdir(parents=True, exist_ok=True)
    tests = _slowest(result.seconds.items())
    classes = _slowest((name, wall) for name, (wall, _) in result.of_classes.items())
    lines = [f"{took:8.2f} s  {name}" for name, took in tests]
    lines += ["", "classes: wall clock, processor", ""]
    lines += [
        f"{took:8.2f} s {result.of_classes[name][1]:8.2f} s  {name}" for name, took in classes
    ]
    (folder / "durations.txt").write_text("\n".join(lines) + "\n", encoding="utf-8")
    (folder / "durations.json").write_text(
        json.dumps({"tests": result.seconds, "classes": result.of_classes}, indent=1),
        encoding="utf-8",
    )


def _slowest(timed: Iterable[tuple[str, float]]) -> list[tuple[str, float]]:
    return sorted(timed, key=lambda each: -each[1])[:SLOWEST]
