"""The knowledge files: what is in them, and how a broken one is refused."""

import json
import shutil
import tempfile
from pathlib import Path
from unittest import TestCase

from lefthand.catalogue.catalogue import KNOWLEDGE, load_catalogue, read_catalogue
from lefthand.catalogue.skeleton import SKELETONS, make_skeleton
from lefthand.values.errors import CatalogueError, InputError
from lefthand.values.names import Named
from lefthand.values.vocabulary import Instrument, Kind

# file, text to replace, replacement, what the error must say
BROKEN = (
    ("causes.yaml", "prior: 0.12", "prior: 1.2", "setup_misfit: prior: expected a number"),
    ("synonyms.yaml", "wrist: {words: [wrist]}", "wrist: {words: [Wrist]}", "small letters"),
    ("causes.yaml", "  order: 1\n", "", "setup_misfit: order: missing"),
    (
        "causes.yaml",
        "settle: [try.refit]",
        "settle: [try.nothing]",
        "unknown evidence 'try.nothing'",
    ),
    (
        "causes.yaml",
        "begin_with: [just_enough]",
        "begin_with: [warm_up]",
        "not an exercise that aims",
    ),
    ("causes.yaml", "insecure_hold:\n", "setup_misfit:\n", "stands twice"),
    ("evidence.yaml", "{insecure_hold: S,", "{insecure_hold: X,", "strength must be D, S, M or W"),
    ("evidence.yaml", "{insecure_hold: S,", "{unsafe_hold: S,", "unknown cause 'unsafe_hold'"),
    ("evidence.yaml", "  stage: setup", "  stage: warmup", "'warmup' is not one of"),
    (
        "evidence.yaml",
        "instruments: [vn, va]",
        "instruments: [vn, gt]",
        "unknown instrument ['gt']",
    ),
    ("evidence.yaml", "measure: hold_seconds", "measure: hold_hours", "has no thresholds"),
    ("evidence.yaml", "    measure: fourth_cents", "    measure: fourth_mm", "pair.measure"),
    (
        "drills.yaml",
        "{stops: before the finger}",
        "{stops: at phrase ends, looks: [nose]}",
        "looks",
    ),
    ("evidence.yaml", "    finger: 4", "    finger: 5", "pair.finger: expected a whole number"),
    ("evidence.yaml", "  place: jaw", "  spot: jaw\n  place: jaw", "spot: unknown field"),
    ("evidence.yaml", "    - falls at once\n", "", "slight, clear and strong"),
    ("ways.yaml", "thumb.under: [1, 2]", "thumb.over: [1, 2]", "unknown evidence 'thumb.over'"),
    ("ways.yaml", "thumb.under: [1, 2]", "thumb.under: [0]", "grades must be 1, 2 or 3"),
    ("ways.yaml", "turn: [lean_to_fourth]", "turn: [lean]", "unknown exercise 'lean'"),
    ("exercises/release.yaml", "aims: [insecure_hold", "aims: [hold", "unknown cause ['hold']"),
    ("exercises/release.yaml", "needs: [hold.slips]", "needs: [hold.slip]", "unknown exercise or"),
    (
        "exercises/release.yaml",
        "drill: touch_rest",
        "drill: rest_touch",
        "unknown drill 'rest_touch'",
    ),
    ("exercises/release.yaml", "kind: release", "kind: relief", "'relief' is not one of"),
    ("exercises/strength.yaml", "needs: [two_and_four]", "needs: [trill_bursts]", "in a circle"),
)


class Catalogue(TestCase):
    def test_causes_of_an_instrument_run_upstream_first_within_the_files_order(self):
        catalogue = load_catalogue()
        for instrument in Instrument:
            with self.subTest(instrument):
                ids = {c.id for c in catalogue.causes_of(instrument)}
                self.assertEqual("arm_not_under" in ids, instrument.is_held_up)
                self.assertEqual("no_arm_weight" in ids, not instrument.is_held_up)
                self.assertEqual("extension_strain" in ids, instrument is Instrument.CELLO)

    def test_every_cause_has_an_exercise_that_answers_it_directly_on_its_instruments(self):
        catalogue = load_catalogue()
        for cause in catalogue.causes.values():
            for instrument in cause.instruments:
                with self.subTest(cause=cause.id, instrument=instrument):
                    aimed = [
                        e.id
                        for e in catalogue.exercises.values()
                        if instrument in e.instruments and cause.id in e.aims[:2]
                    ]
                    self.assertTrue(aimed)


class EverydayWords(TestCase):
    def texts(self):
        catalogue = load_catalogue()
        for exercise in catalogue.exercises.values():
            yield " ".join((exercise.name, exercise.does, *exercise.steps, exercise.child))
        for cause in catalogue.causes.values():
            yield f"{cause.name} {cause.meaning}"
        for check in catalogue.evidence.values():
            yield " ".join((check.label, check.look, check.child, check.note, *check.means))

    def test_each_word_that_stands_for_another_stands_in_some_text(self):
        told = "\n".join(self.texts()).lower()
        for everyday, words in load_catalogue().synonyms.items():
            with self.subTest(everyday):
                self.assertEqual([word for word in words if word not in told], [])

    def test_what_teachers_complain_of_leads_to_a_cause(self):
        catalogue = load_catalogue()
        for everyday in ("tense", "collapse", "squeeze", "weak", "jointed"):
            words = (everyday, *catalogue.synonyms[everyday])
            causes = [
                cause.id
                for cause in catalogue.causes.values()
                if any(word in f"{cause.name} {cause.meaning}".lower() for word in words)
            ]
            self.assertTrue(causes, everyday)


class Ids(TestCase):
    """Records keep the ids that they were made with, so ids only grow."""

    RELEASED = json.loads((Path(__file__).parent / "released_ids.json").read_text("utf-8"))

    def test_every_id_of_an_earlier_release_is_known(self):
        known = load_catalogue()
        for part in ("causes", "evidence", "exercises"):
            for name in self.RELEASED[part]:
                self.assertIn(name, getattr(known, part), "give it a line in aliases.yaml")
        for key, values in self.RELEASED["ways"].items():
            self.assertLessEqual(set(values), set(known.ways[key].values))

    def test_the_list_of_released_ids_is_complete(self):
        known = load_catalogue()
        for part in ("causes", "evidence", "exercises"):
            self.assertLessEqual(set(getattr(known, part)), set(self.RELEASED[part]))

    def test_a_renamed_id_finds_what_it_is_called_now(self):
        named = Named({"new": 1, "other": 2}, {"old": "new", "older": "new"})
        self.assertEqual((named["old"], named.get("older"), named.get("gone")), (1, 1, None))
        self.assertIn("old", named)
        self.assertNotIn("gone", named)
        self.assertNotIn(3, named)
        self.assertEqual((sorted(named), len(named)), (["new", "other"], 2))

    def test_aliases_are_checked_on_load(self):
        table = (
            ("causes: {insecure_hold: over_pressing}", "'insecure_hold'"),
            ("causes: {old: nothing}", "got 'nothing'"),
            ("drills: {}", "expected one of"),
        )
        for text, words in table:
            with self.subTest(text), tempfile.TemporaryDirectory() as folder:
                copy = Path(folder) / "knowledge"
                shutil.copytree(KNOWLEDGE, copy)
                (copy / "aliases.yaml").write_text(text, encoding="utf-8")
                with self.assertRaises(CatalogueError) as caught:
                    read_catalogue(copy)
                self.assertIn(words, str(caught.exception))


class BrokenFiles(TestCase):
    def test_a_broken_entry_is_refused_with_file_and_entry(self):
        for file, old, new, words in BROKEN:
            with self.subTest(file=file, new=new), tempfile.TemporaryDirectory() as folder:
                copy = Path(folder) / "knowledge"
                shutil.copytree(KNOWLEDGE, copy)
                text = (copy / file).read_text(encoding="utf-8")
                self.assertIn(old, text)
                (copy / file).write_text(text.replace(old, new, 1), encoding="utf-8")
                with self.assertRaises(CatalogueError) as caught:
                    read_catalogue(copy)
                self.assertIn(words, str(caught.exception))

    def test_a_missing_file_and_broken_yaml_are_refused_by_name(self):
        with tempfile.TemporaryDirectory() as folder:
            copy = Path(folder) / "knowledge"
            shutil.copytree(KNOWLEDGE, copy)
            (copy / "ways.yaml").write_text("carry: [", encoding="utf-8")
            with self.assertRaisesRegex(CatalogueError, r"ways\.yaml: file: "):
                read_catalogue(copy)
            (copy / "ways.yaml").unlink()
            with self.assertRaisesRegex(CatalogueError, r"ways\.yaml: file: missing"):
                read_catalogue(copy)


class Breadth(TestCase):
    """What every instrument must be offered (asked for by the trade, common practice)."""

    def test_every_cause_of_every_instrument_has_two_exercises_that_aim_at_it(self):
        catalogue = load_catalogue()
        for instrument in Instrument:
            for cause in catalogue.causes_of(instrument):
                aiming = [
                    e.id
                    for e in catalogue.exercises.values()
                    if instrument in e.instruments and cause.id in e.aims[:2]
                ]
                with self.subTest(instrument=instrument, cause=cause.id):
                    self.assertGreaterEqual(len(aiming), 2)

    def test_weak_fingers_and_soft_tips_have_a_ladder_of_strength_on_every_instrument(self):
        catalogue = load_catalogue()
        for instrument in Instrument:
            for cause in ("weak_finger", "soft_tip_joint"):
                ladders = [
                    e
                    for e in catalogue.exercises.values()
                    if instrument in e.instruments
                    and cause in e.aims[:2]
                    and e.kind is Kind.STRENGTH
                    and len(e.rungs) >= 3
                ]
                with self.subTest(instrument=instrument, cause=cause):
                    self.assertGreaterEqual(len(ladders), 2)

    def test_texts_are_short_and_whole(self):
        for exercise in load_catalogue().exercises.values():
            for text in (
                exercise.child,
                exercise.mirror,
                exercise.over,
                exercise.feel,
                exercise.stop,
            ):
                with self.subTest(exercise=exercise.id, text=text):
                    self.assertTrue(text[0].isupper() and text[-1] in ".?!")
                    self.assertLessEqual(len(text), 110)


class Skeletons(TestCase):
    """Something new is one command and what it asks for; nothing half filled in is ever loaded."""

    NAMES = {
        "check": "wrist.turned",
        "exercise": "a_new_one",
        "cause": "a_new_cause",
        "tune": "a_tune",
        "way": "a_way",
    }

    def test_each_says_what_is_still_to_be_filled_in(self):
        for kind, name in self.NAMES.items():
            with self.subTest(kind), tempfile.TemporaryDirectory() as folder:
                knowledge = Path(folder) / "knowledge"
                shutil.copytree(KNOWLEDGE, knowledge)
                told = make_skeleton(kind, name, knowledge)
                self.assertTrue(all(file in " ".join(told) for file in SKELETONS[kind]))
                with self.assertRaises(CatalogueError) as caught:
                    read_catalogue(knowledge)
                self.assertIn(name, str(caught.exception))
                self.assertIn("is still to be filled in", str(caught.exception))

    def test_a_tune_that_was_filled_in_is_loaded(self):
        with tempfile.TemporaryDirectory() as folder:
            knowledge = Path(folder) / "knowledge"
            shutil.copytree(KNOWLEDGE, knowledge)
            make_skeleton("tune", "a_tune", knowledge)
            tunes = knowledge / "tunes.yaml"
            text = tunes.read_text(encoding="utf-8").replace("[FILL IN]", "[0 2 4 2 | 0--]")
            tunes.write_text(text.replace("FILL IN", "A tune"), encoding="utf-8")
            self.assertEqual(read_catalogue(knowledge).tunes["a_tune"].title, "A tune")

    def test_what_cannot_be_is_refused(self):
        for kind, name, field in (
            ("song", "a", "kind"), ("tune", "A tune", "id"), ("cause", "short_reach", "id"), ("check", "", "id"),
        ):  # fmt: skip
            with self.subTest(kind=kind, name=name), self.assertRaises(InputError) as caught:
                make_skeleton(kind, name)
            self.assertEqual(caught.exception.field, field)
