"""Two takes laid beside each other: what moved, and what is no more than chance."""

from unittest import TestCase

from lefthand.sound.laid_beside import laid_beside


def result(cents, *, unsure=1.0, cv=None, cv_unsure=0.3, least=1.5):
    evenness = None if cv is None else {"cv": cv, "uncertainty": cv_unsure, "least": least}
    fingers = {f: {"cents": c, "uncertainty": unsure} for f, c in cents.items()}
    return {"fingers": fingers, "evenness": evenness}


SENTENCES = (
    ("up", result({"4": -20}), result({"4": -8}), "The fourth went up by 12 cents and is 8 cents low."),
    ("in tune", result({"4": -20}), result({"4": 1}), "The fourth went up by 21 cents and is in tune."),
    ("chance", result({"4": -20}), result({"4": -17}), "Nothing changed that can be told from chance."),
    (
        "too unsure",
        result({"4": -20}, unsure=8),
        result({"4": -8}, unsure=8),
        "Nothing changed that can be told from chance.",
    ),
    ("one finger only in one", result({"3": 0}), result({"4": -20}), "Nothing changed that can be told from chance."),
    ("more even", result({}, cv=8), result({}, cv=4), "More even by 4 %."),
    ("less even", result({}, cv=4), result({}, cv=8), "Less even by 4 %."),
    (
        "both below what can be told",
        result({}, cv=0.2, cv_unsure=0.1),
        result({}, cv=1.4, cv_unsure=0.1),
        "Nothing changed that can be told from chance.",
    ),
    (
        "a fast take heard less surely",
        result({}, cv=3.6, least=1.0),
        result({}, cv=5.2, least=4.0),
        "Nothing changed that can be told from chance.",
    ),
    ("spacing told in one only", result({}, cv=8), result({}), "Nothing changed that can be told from chance."),
    (
        "two things",
        result({"3": 0, "4": -20}, cv=8),
        result({"3": 9, "4": -6}, cv=4),
        "The third went up by 9 cents and is 9 cents high; the fourth went up by 14 cents and is "
        "6 cents low; more even by 4 %.",
    ),
)  # fmt: skip


class Sentences(TestCase):
    def test_what_is_said_of_two_takes(self):
        for name, before, after, words in SENTENCES:
            with self.subTest(name):
                self.assertEqual(laid_beside(before, after).sentence, words)


def told(**more):
    return {**result({}), "vibrato": {}, "observations": {}, "tightens_from": None, **more}


def widths(**cents):
    return told(vibrato={finger[1:]: {"width": width} for finger, width in cents.items()})


def shares(evidence, **told_of):
    values = {finger[1:]: {"value": value} for finger, value in told_of.items()}
    return told(observations={evidence: values})


MEASURED = (
    ("vibrato.narrow", widths(f4=12), widths(f4=40), "Fourth: vibrato 12 cents wide before, 40 now."),
    ("vibrato.narrow", widths(f4=12), widths(f4=15), "Nothing changed that can be told from chance."),
    ("neighbour.muted", shares("neighbour.muted", f3=0.13), shares("neighbour.muted", f3=1.0),
     "Third: the open string beside it rings for 13 % of the note before, 100 % now."),
    ("fades.early", told(tightens_from=0.35), told(),
     "It tightened after 35 % of it before, now not at all."),
    ("fades.early", told(), told(tightens_from=0.5), "It did not tighten before, now after 50 % of it."),
    ("fades.early", told(tightens_from=0.35), told(tightens_from=0.8),
     "It tightens after 35 % of it before, 80 % now."),
    ("fades.early", told(), told(), "Nothing changed that can be told from chance."),
    ("press.excess", shares("press.excess", f2=0.8), shares("press.excess", f2=0.4),
     "Second: it sounds with 80 % of its weight before, 40 % now."),
)  # fmt: skip


class Measured(TestCase):
    def test_what_the_check_measures_is_compared_before_anything_else(self):
        for evidence, before, after, words in MEASURED:
            with self.subTest(evidence, words=words):
                self.assertEqual(laid_beside(before, after, evidence).sentence, words)
