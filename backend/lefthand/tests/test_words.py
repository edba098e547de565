"""Words are put to what the core says in one place: every message is there, used and whole, and no
code reads a sentence to learn what it meant."""

import ast
import re
from pathlib import Path
from unittest import TestCase

from lefthand.reason.safety import StopReason, stop_said
from lefthand.values.said import cause, evidence, exercise, said, said_json, thing
from lefthand.values.vocabulary import Level, Likelihood, Place
from lefthand.words.words import FOLDER, MessageError, words_of

BACKEND = Path(__file__).resolve().parents[2]
SOURCES = [
    path
    for part in ("lefthand", "studio", "api")
    for path in (BACKEND / part).rglob("*.py")
    if not {"tests", "migrations"} & set(path.parts)
]
# Worded by what they are and not by a place in the code.
BY_MEMBER = (
    "count-",
    "place-",
    "likelihood-",
    "level-",
    "thing-",
    "stop-",
    "causeword-",
    "changeword-",
    "grade-",
    "trial-",
    "undo-",
    "finger-",
    "asked-",
    "theme-",
    "term-",
    "next-look",
    "next-told",
    "why-",
    "way-strength-",
    "way-bass-fingering-",
    "told-sign-",
    "bars-of",
    "note-",
    "look-",
    "moved-part-",
    "pair-gain-",
    "pair-loss-",
    "release-",
    "told-time-",
)
MESSAGE = re.compile(r"[a-z]+(-[a-z]+)+")
READS = {"startswith", "endswith", "removeprefix", "removesuffix", "index", "find", "partition"}


def asked(tree):
    """Ids that the code asks for: the first word of `said`, and tables of ids."""
    for node in ast.walk(tree):
        if isinstance(node, ast.Call) and getattr(node.func, "id", "") == "said" and node.args:
            yield from (n.value for n in ast.walk(node.args[0]) if isinstance(n, ast.Constant))


def ids():
    texts = [path.read_text(encoding="utf-8") for path in FOLDER.rglob("*.ftl")]
    return {found for text in texts for found in re.findall(r"(?m)^([a-z][\w-]*) =", text)}


def is_sentence(node):
    """Words with a space between or beside them."""
    is_text = isinstance(node, ast.Constant) and isinstance(node.value, str)
    return is_text and " " in node.value and any(map(str.isalpha, node.value))


class Messages(TestCase):
    def test_every_message_that_is_asked_for_is_there_and_every_one_is_asked_for(self):
        texts = {path: path.read_text(encoding="utf-8") for path in SOURCES}
        wanted = {
            each
            for text in texts.values()
            for each in asked(ast.parse(text))
            if isinstance(each, str) and MESSAGE.fullmatch(each)
        }
        self.assertEqual({each for each in wanted if not each.startswith(BY_MEMBER)} - ids(), set())
        code = "\n".join(texts.values())
        unused = {i for i in ids() if f'"{i}"' not in code and not i.startswith(BY_MEMBER)}
        self.assertEqual(unused, set())

    def test_members_are_worded(self):
        for kind in (Place, Likelihood, Level):
            for member in kind:
                self.assertIn(
                    f"{kind.__name__.lower()}-{member.name.lower().replace('_', '-')}", ids()
                )
        for reason in StopReason:
            self.assertTrue(words_of(stop_said(reason)))
        self.assertEqual(words_of(stop_said("as it was written once")), "as it was written once")

    def test_a_message_that_is_not_there_or_lacks_a_value_says_which(self):
        for what in (said("no-such"), said("rule-age"), said("rule-thing", thing=thing("no_such"))):
            with (
                self.subTest(what.id),
                self.assertRaisesRegex(MessageError, "no-such|rule-age|years"),
            ):
                words_of(what)

    def test_values_are_put_as_they_stand_in_a_sentence(self):
        for what, words in (
            (said("rule-thing", thing=thing("rod")), "needs a light stick"),
            (said("rule-not-while", word=Likelihood.LIKELY, cause=cause("short_reach")),
             "not while this is likely: reach is short here"),
            (said("hurt-now", place=Place.FINGERS), "the fingers hurt"),
            (said("hurt-now", place=Place.THUMB), "the thumb hurts"),
            (said("hurt-before", place=Place.THUMB, days=1), "the thumb hurt yesterday"),
            (said("hurt-before", place=Place.THUMB, days=3), "the thumb hurt 3 days ago"),
            (said("apart-hurt", weeks=2, days=1), "it hurt: two weeks without pain first, 1 day more"),
            (said("objection-minutes", minutes=7.5, meant=5), "7.5 minutes a day; 5 were meant"),
            (said("week-hand-below", exercises=(exercise("thumb_taps"), exercise("thumbless"), exercise("warm_up"))),
             None),
        ):  # fmt: skip
            with self.subTest(str(what)):
                if words is None:
                    self.assertRegex(words_of(what), r": [^,]+, [^,]+ and [^,]+\.$")
                else:
                    self.assertEqual(words_of(what), words)

    def test_as_data_it_is_its_id_and_the_ids_of_what_it_names(self):
        what = said("rule-not-while", word=Likelihood.LIKELY, cause=cause("short_reach"))
        self.assertEqual(
            said_json(said("objection-to", exercise=exercise("warm_up"), against=what)),
            {
                "id": "objection-to",
                "exercise": "warm_up",
                "against": {"id": "rule-not-while", "word": "likely", "cause": "short_reach"},
            },
        )
        self.assertEqual(
            what, said("rule-not-while", cause=cause("short_reach"), word=Likelihood.LIKELY)
        )
        self.assertNotEqual(cause("x"), evidence("x"))


class NobodyReadsSentences(TestCase):
    def test_no_code_compares_or_takes_apart_what_was_said(self):
        found = []
        for path in SOURCES:
            for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
                if isinstance(node, ast.Compare):
                    parts = [node.left, *node.comparators]
                elif isinstance(node, ast.Call) and getattr(node.func, "attr", "") in READS:
                    parts = node.args
                else:
                    continue
                found += [f"{path.name}:{node.lineno}" for part in parts if is_sentence(part)]
        self.assertEqual(found, [])
