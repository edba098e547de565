"""Results of tests that say how long each took, and each class with what it set up."""

import pickle
import resource
import sys
import time
import traceback
from typing import Any
from unittest import TestCase, TestResult, TestSuite, TextTestResult

from django.test.runner import RemoteTestResult, RemoteTestRunner

from config.testing import logs
from config.testing.progress import tell_began, tell_ended

DOTS_HIDDEN = 1


class TimedResult(TextTestResult):
    """What the whole run came to. `seconds`: by test; `of_classes`: wall clock and processor time
    by class, what it set up included."""

    def __init__(self, stream: Any, descriptions: bool, verbosity: int) -> None:
        super().__init__(stream, descriptions, verbosity)
        self.dots = verbosity > DOTS_HIDDEN
        self.seconds: dict[str, float] = {}
        self.of_classes: dict[str, tuple[float, float]] = {}

    def addDuration(self, test: Any, elapsed: float) -> None:  # noqa: N802 - unittest's own name
        self.seconds[test.id()] = elapsed

    def add_class(self, test: Any, elapsed: float, busy: float) -> None:
        name = f"{type(test).__module__}.{type(test).__qualname__}"
        wall, cpu = self.of_classes.get(name, (0.0, 0.0))
        self.of_classes[name] = (wall + elapsed, cpu + busy)


class TimedRemoteResult(RemoteTestResult):
    """In a test process: tells when a test begins, and keeps how long it took."""

    began = 0.0

    def startTest(self, test: TestCase) -> None:  # noqa: N802
        super().startTest(test)
        logs.forget()
        tell_began(test.id())
        self.began = time.perf_counter()

    def stopTest(self, test: TestCase) -> None:  # noqa: N802
        self._refuse_logged(test)
        self.events.append(("addDuration", self.test_index, time.perf_counter() - self.began))
        tell_ended(test.id())
        super().stopTest(test)

    def addError(self, test: TestCase, err: Any) -> None:  # noqa: N802
        super().addError(test, _portable(err))

    def addFailure(self, test: TestCase, err: Any) -> None:  # noqa: N802
        super().addFailure(test, _portable(err))

    def addSubTest(self, test: TestCase, subtest: TestCase, err: Any) -> None:  # noqa: N802
        if err is not None:
            err, subtest = _portable(err), _portable_part(test, subtest)
        super().addSubTest(test, subtest, err)

    def _refuse_logged(self, test: TestCase) -> None:
        """What a test made the server log without expecting it is a failure."""
        if logs.kept():
            try:
                raise AssertionError("logged: " + "\n".join(logs.kept()))
            except AssertionError:
                self.addFailure(test, sys.exc_info())


class TimedRemoteRunner(RemoteTestRunner):
    resultclass = TimedRemoteResult

    def run(self, test: TestSuite) -> TestResult:
        began, busy = time.perf_counter(), _processor_seconds()
        result: TimedRemoteResult = super().run(test)
        took = time.perf_counter() - began, _processor_seconds() - busy
        result.events.append(("add_class", 0, *took))
        return result


def _portable(err: Any) -> Any:
    """The error of a test, or its words where it cannot be sent to the process that gathers them:
    one such error would end the whole run without a word of what failed."""
    if _can_be_sent(err):
        return err
    return AssertionError, AssertionError("".join(traceback.format_exception(*err))), None


def _portable_part(test: Any, part: Any) -> Any:
    """A part of a test, or one without what the test has made meanwhile."""
    if _can_be_sent(part):
        return part
    fresh = type(test)(test._testMethodName)
    said = {name: str(value) for name, value in part.params.items()}
    return type(part)(fresh, str(part._message), said)


def _can_be_sent(each: Any) -> bool:
    try:
        pickle.loads(pickle.dumps(each))  # noqa: S301 - our own
    except Exception:  # whatever stands in the way
        return False
    return True


def _processor_seconds() -> float:
    """Of this process and of those that it began and that have ended."""
    used = [resource.getrusage(who) for who in (resource.RUSAGE_SELF, resource.RUSAGE_CHILDREN)]
    return sum(each.ru_utime + each.ru_stime for each in used)
