"""What settles a cause, and how far settled causes move a starting probability."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.case.parsing import parse_case
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.diagnosis import decide, diagnose, weigh
from lefthand.reason.learning import Count, LessonFacts, Verdict, count_verdicts, verdict, verdicts

CATALOGUE = load_catalogue()
GRIP = "thumb_index_grip"


def facts(*focus, dismissed=(), **grades):
    named = {name.replace("_", "."): grade for name, grade in grades.items()}
    return LessonFacts(focus, frozenset(dismissed), named)


class Verdicts(TestCase):
    def test_what_settles_a_cause(self):
        shows = facts(GRIP, web_closed=3, thumb_locked=2)
        same = facts(GRIP, web_closed=3, thumb_locked=2)
        eased = facts(web_closed=1, thumb_locked=1)
        table = [
            ("never thought of", [facts(web_closed=3)], None),
            ("only decided", [shows], None),
            ("worked on and eased by half", [shows, eased], Verdict.CONFIRMED),
            ("worked on, a little less", [shows, facts(web_closed=2, thumb_locked=2)], None),
            ("half of it not looked at again", [shows, facts(web_closed=1)], Verdict.CONFIRMED),
            ("nothing looked at again", [shows, facts(tip_gives=1)], None),
            ("dismissed", [facts(dismissed=[GRIP], web_closed=3)], Verdict.REFUTED),
            ("taken up after all", [facts(dismissed=[GRIP]), shows, eased], Verdict.CONFIRMED),
            ("dropped later", [shows, eased, facts(dismissed=[GRIP])], Verdict.REFUTED),
            ("three lessons, no change", [shows, same, same, same], Verdict.REFUTED),
            ("not worked on all the time", [shows, facts(web_closed=3), same, same], None),
        ]
        for name, lessons, expected in table:
            with self.subTest(name):
                self.assertEqual(verdict(GRIP, lessons, CATALOGUE), expected)

    def test_a_player_counts_once_however_many_lessons(self):
        shows, eased = facts(GRIP, web_closed=3), facts(GRIP, web_closed=1)
        players = [[shows, eased, eased, eased], [facts(dismissed=[GRIP])], [shows]]
        counts = count_verdicts(verdicts(lessons, CATALOGUE) for lessons in players)
        self.assertEqual(counts, {GRIP: Count(1, 1)})


class StartingValues(TestCase):
    def test_worked_example(self):
        # Beta(20 * 0.15, 20 * 0.85) with 4 confirmed and 1 refuted: (3 + 4) / 25, by hand.
        self.assertAlmostEqual(Count(4, 1).mean(0.15), 0.28)
        self.assertEqual(Count().mean(0.15), 0.15)

    @settings(deadline=None)
    @given(st.integers(0, 500), st.integers(0, 500), st.floats(0.01, 0.5))
    def test_it_stays_a_probability_between_prior_and_share(self, confirmed, refuted, prior):
        mean = Count(confirmed, refuted).mean(prior)
        share = confirmed / (confirmed + refuted) if confirmed + refuted else prior
        self.assertTrue(min(prior, share) - 1e-12 <= mean <= max(prior, share) + 1e-12)

    def test_counts_move_the_starting_value_and_nothing_else(self):
        empty = parse_case(
            {"format": "jolf-case/1", "instrument": "vn", "observations": {}}, CATALOGUE
        )
        plain = diagnose(empty, CATALOGUE)
        moved = decide(weigh(empty, CATALOGUE, {GRIP: Count(30, 0)}))
        self.assertGreater(moved.probability(GRIP), plain.probability(GRIP) + 0.3)
        others = [v.cause for v in plain.causes if v.cause != GRIP]
        for cause in others:
            self.assertAlmostEqual(moved.probability(cause), plain.probability(cause), delta=0.02)
        self.assertIs(moved.result.network.there, plain.result.network.there)
