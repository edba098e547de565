"""The focus that was taken, chosen or ruled out, and the week that was made for it."""

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.one_things import Reader
from lefthand.practice.ruled_out import RuledOut, ruled_out_after, ruled_out_before
from lefthand.reason.learning import LessonFacts
from lefthand.values.vocabulary import Instrument
from studio.entries.log import undo
from studio.lessons.access import lesson_of
from studio.lessons.decisions import stale_focus, taken_focus
from studio.models import Plan
from studio.sheet.sheet import build_sheet
from studio.tests.studio_case import DAY, GRIP, StudioCase

GRIP_CAUSE, PRESSING = "thumb_index_grip", "over_pressing"
# Signs of too much pressure and none of a grip.
PRESSED = {
    "nail.pale": 3,
    "press.excess": 3,
    "web.closed": 0,
    "thumb.locked": 0,
    "string.dragged": 2,
}


class FocusThatFollows(StudioCase):
    def focus(self, lesson):
        return [focus.cause for focus in self.view(lesson).diagnosis.focus]

    def taken(self):
        """A lesson in which the proposed focus was taken."""
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.enter(lesson, "focus", "", self.focus(lesson))
        return lesson

    def test_a_taken_focus_moves_when_grades_are_corrected_and_back_with_undo(self):
        lesson = self.taken()
        self.assertEqual(self.focus(lesson)[0], GRIP_CAUSE)
        before = self.focus(lesson)
        self.look(lesson, PRESSED)
        self.assertEqual(self.focus(lesson)[0], PRESSING)
        self.assertEqual(lesson.focuses.first().cause, PRESSING)
        self.assertEqual(taken_focus(lesson), before)
        for _ in PRESSED:
            undo(lesson.pk)
        self.assertEqual(self.focus(lesson), before)

    def test_where_nothing_is_likely_any_more_what_was_taken_is_still_told(self):
        lesson = self.taken()
        taken = self.focus(lesson)
        self.look(lesson, dict.fromkeys(GRIP, 0))
        self.assertEqual(self.focus(lesson), [])
        newest = list(lesson.entries.order_by("-pk"))
        self.assertEqual(taken_focus(lesson, newest), taken)
        self.enter(lesson, "focus", "", None)
        self.assertEqual(taken_focus(lesson, list(lesson.entries.order_by("-pk"))), [])

    def test_a_chosen_focus_stays_until_it_is_taken_back(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.enter(lesson, "focus", "", ["setup_misfit"])
        self.look(lesson, PRESSED)
        self.assertEqual(self.focus(lesson), ["setup_misfit"])
        self.assertEqual(taken_focus(lesson), [])
        self.enter(lesson, "focus", "", None)
        self.assertEqual(self.focus(lesson)[0], PRESSING)

    def test_one_of_two_is_the_teachers_own(self):
        lesson = self.lesson()
        self.look(lesson, {**GRIP, "tip.gives": {"3": 3}, "arch.fails": 3, "laxity.fingers": 3})
        proposed = self.focus(lesson)
        self.assertEqual(len(proposed), 2)
        self.enter(lesson, "focus", "", proposed[1:])
        self.look(lesson, {"thumb.tired": 2})
        self.assertEqual(self.focus(lesson), proposed[1:])


def said_of(cause):
    """All sentences that may head a week for a cause."""
    told = load_catalogue().one_things[cause]
    return {
        told.told(reader, Instrument.VIOLIN, fingers).say
        for reader in Reader
        for fingers in ((), (1,), (2,), (3,), (4,))
    }


class WeekOfAnotherFocus(StudioCase):
    def given(self):
        return self.whole_lesson(0, GRIP)

    def sheet(self, lesson):
        return build_sheet(lesson_of(self.teacher, lesson.pk))

    def test_a_week_is_stale_when_the_focus_moves_and_its_sheet_tells_its_own(self):
        lesson = self.given()
        view = self.view(lesson)
        self.assertEqual(stale_focus(view, lesson.plan), [])
        told, whys = self.sheet(lesson).one, [item.why for item in self.sheet(lesson).items]
        self.look(lesson, PRESSED)
        plan = Plan.objects.get(lesson=lesson)
        self.assertEqual(stale_focus(self.view(lesson), plan)[0], GRIP_CAUSE)
        sheet = self.sheet(lesson)
        self.assertEqual((sheet.one, [item.why for item in sheet.items]), (told, whys))
        self.assertIn(load_catalogue().causes[GRIP_CAUSE].name, sheet.made_for)

    def test_made_anew_it_tells_of_the_new_focus_alone(self):
        lesson = self.given()
        self.look(lesson, PRESSED)
        self.give(lesson, *(item.exercise for item in self.view(lesson).proposal.items))
        sheet = self.sheet(lesson)
        self.assertEqual(sheet.made_for, ())
        self.assertIn(sheet.one.say, said_of(PRESSING))
        self.assertNotIn(sheet.one.say, said_of(GRIP_CAUSE))

    def test_undo_brings_back_the_week_that_was_made_for_the_other_focus(self):
        lesson = self.given()
        before = self.sheet(lesson)
        self.look(lesson, PRESSED)
        self.give(lesson, *(item.exercise for item in self.view(lesson).proposal.items))
        undo(lesson.pk)
        sheet = self.sheet(lesson)
        self.assertIn(load_catalogue().causes[GRIP_CAUSE].name, sheet.made_for)
        self.assertEqual(sheet.one, before.one)
        self.assertEqual([i.why for i in sheet.items], [i.why for i in before.items])

    def test_no_cause_is_told_that_no_exercise_is_for(self):
        lesson = self.given()
        aims = load_catalogue().exercises
        only = next(
            e.id for e in aims.values() if GRIP_CAUSE not in e.aims and "vn" in e.instruments
        )
        self.give(lesson, only)
        self.assertNotIn(self.sheet(lesson).one.say, said_of(GRIP_CAUSE))


class RuledOutCauses(StudioCase):
    def test_a_dismissed_cause_stays_out_next_week_until_a_sign_is_more(self):
        first = self.lesson(0)
        self.look(first, {**GRIP, "thumb.locked": 2})
        self.enter(first, "cause", GRIP_CAUSE, {"word": "dismissed", "why": "it is the rest"})
        second = self.lesson(1)
        self.look(second, {"web.closed": 3, "thumb.locked": 2, "nail.pale": 1})
        view = self.view(second)
        self.assertEqual(view.ruled_out[GRIP_CAUSE].on, DAY)
        self.assertNotIn(GRIP_CAUSE, [focus.cause for focus in view.diagnosis.focus])
        self.look(second, {"thumb.locked": 3})
        view = self.view(second)
        self.assertNotIn(GRIP_CAUSE, view.ruled_out)
        self.assertEqual(view.diagnosis.focus[0].cause, GRIP_CAUSE)

    def test_it_may_be_after_all_when_the_teacher_says_so(self):
        first = self.lesson(0)
        self.look(first, GRIP)
        self.enter(first, "cause", GRIP_CAUSE, {"word": "dismissed"})
        second = self.lesson(1)
        self.look(second, GRIP)
        for word in ({"word": "open"}, {"word": "pinned"}):
            self.enter(second, "cause", GRIP_CAUSE, word)
            self.assertEqual(self.view(second).diagnosis.focus[0].cause, GRIP_CAUSE)
            undo(second.pk)
        self.assertIn(GRIP_CAUSE, self.view(second).ruled_out)
        third = self.lesson(2)
        self.look(third, GRIP)
        self.assertIn(GRIP_CAUSE, self.view(third).ruled_out)

    def test_over_many_lessons_it_is_forgotten_once_and_ruled_out_again(self):
        catalogue = load_catalogue()
        known = {}
        for day, grades, dismissed, focus, is_out in (
            (1, {"web.closed": 2}, {GRIP_CAUSE}, (), True),
            (2, {"web.closed": 2}, set(), (), True),
            (3, {"web.closed": 1}, set(), (), True),
            (4, {}, set(), (), True),
            (5, {"web.closed": 2}, set(), (), True),
            (6, {"web.closed": 3}, set(), (), False),
            (7, {"web.closed": 1}, set(), (), False),
            (8, {"web.closed": 3}, {GRIP_CAUSE}, (), True),
            (9, {"web.closed": 3}, set(), (GRIP_CAUSE,), False),
        ):
            on = DAY.replace(day=day)
            facts = LessonFacts(focus, frozenset(dismissed), grades)
            with self.subTest(day=day):
                known = ruled_out_after(known, on, facts, catalogue)
                self.assertEqual(GRIP_CAUSE in known, is_out)

    def test_a_sign_that_hardly_speaks_for_it_is_no_news(self):
        catalogue = load_catalogue()
        known = {GRIP_CAUSE: RuledOut(DAY, {})}
        weak = next(
            e.id for e in catalogue.evidence.values() if 0 < e.causes.get(GRIP_CAUSE, 0) < 0.5
        )
        facts = LessonFacts(grades={weak: 3})
        self.assertEqual(ruled_out_before(known, facts, catalogue), known)
