"""Tests side by side, the long ones first."""

from typing import Any
from unittest import TestSuite

from django.test.runner import DiscoverRunner, ParallelTestSuite


class LongestFirst(ParallelTestSuite):
    """What takes longest is begun first, so that no process is left with much when the others end.

    A test class that is slow says so: `seconds_each` is what one of its tests takes, about.
    """

    def __init__(self, subsuites: list[TestSuite], *others: Any) -> None:
        super().__init__(sorted(subsuites, key=_seconds, reverse=True), *others)


def _seconds(suite: TestSuite) -> float:
    return sum(getattr(test, "seconds_each", 0.5) for test in suite)


class LongestFirstRunner(DiscoverRunner):
    parallel_test_suite = LongestFirst
