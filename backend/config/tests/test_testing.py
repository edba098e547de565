"""The runner of the tests: what it tells while they run, and what it does not let pass."""

import logging
import pickle
from unittest import TestCase, TestSuite

from config.testing import logs
from config.testing.progress import Standing
from config.testing.results import TimedRemoteRunner


class Logging(TestCase):
    def warned(self):
        logging.getLogger("jolf.example").warning("out of tune")

    def broken_off(self):
        logging.getLogger("django.server").warning("- Broken pipe from ('127.0.0.1', 1)")

    def expected(self):
        with self.assertLogs("jolf.example", "WARNING"):
            self.warned()


class Failing(TestCase):
    def of_its_own(self):
        class Odd(Exception):  # noqa: N818
            pass

        raise Odd("out of tune")

    def in_part(self):
        self.made = lambda: None  # cannot be sent
        with self.subTest("first", made=self.made):
            self.fail("out of tune")


class Runner(TestCase):
    def events(self, name):
        result = TimedRemoteRunner().run(TestSuite([Logging(name)]))
        logs.forget()
        return [event[0] for event in result.events]

    def test_a_warning_that_a_test_did_not_expect_is_a_failure(self):
        for name, fails in (("warned", True), ("broken_off", False), ("expected", False)):
            with self.subTest(name):
                self.assertEqual("addFailure" in self.events(name), fails)

    def test_an_error_that_cannot_be_sent_on_is_told_in_words(self):
        result = TimedRemoteRunner().run(TestSuite([Failing("of_its_own")]))
        (error,) = [event for event in result.events if event[0] == "addError"]
        kind, words, _ = pickle.loads(pickle.dumps(error))[-1]  # noqa: S301
        self.assertIs(kind, AssertionError)
        self.assertIn("Odd: out of tune", str(words))

    def test_a_part_of_a_test_that_cannot_be_sent_on_is_told(self):
        result = TimedRemoteRunner().run(TestSuite([Failing("in_part")]))
        (error,) = [event for event in result.events if event[0] == "addSubTest"]
        _, _, part, (_, words, _) = pickle.loads(pickle.dumps(error))  # noqa: S301
        self.assertIn("first", str(part))
        self.assertIn("out of tune", str(words))

    def test_every_test_and_every_class_has_its_seconds(self):
        events = self.events("expected")
        self.assertEqual((events.count("addDuration"), events.count("add_class")), (1, 1))


class Progress(TestCase):
    def test_it_says_how_many_are_done_and_what_takes_longest(self):
        standing = Standing(all_tests=3)
        for test, ended, now in (
            ("a.tests.test_x.X.test_1", 0, 10.0),
            ("a.tests.test_x.X.test_1", 1, 11.0),
            ("a.tests.test_x.X.test_2", 0, 11.0),
            ("a.tests.test_y.Y.test_3", 0, 12.0),
        ):
            standing.take(test, ended, now)
        self.assertEqual(
            standing.words(20.0, since=10.0), "1 of 3 tests, 10 s; 9 s in test_x.X.test_2"
        )
