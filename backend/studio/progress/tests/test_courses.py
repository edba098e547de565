"""Twelve lessons with breaks, stops, failures and returns: what holds in one lesson holds in all.

Courses are drawn from seeds. What is held to: a stop pauses; two weeks after it and after a long
break ease off; loads grow by a tenth or one repetition, and begin again at half; a ladder is climbed
step by step; the rules never object to what they proposed.
"""

import random
from dataclasses import dataclass, field
from datetime import timedelta

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.doses import is_load
from lefthand.practice.rules import too_much_when_easing
from lefthand.tests.effort import usually
from lefthand.values.vocabulary import Instrument, Place
from studio.home.link import make_link, open_link
from studio.home.log import log_day
from studio.lessons.decisions import objections
from studio.lessons.flags import lift_flags
from studio.memory.standing import standing_before
from studio.models import StoredStanding
from studio.tests.studio_case import DAY, StudioCase

LESSONS = 12
GRIPPING = ("web.closed", "thumb.locked", "nail.pale", "idle.stiff")
WEAK = ("tip.gives", "arch.fails", "shape.lost", "fourth.low")
NOTE = "Seen by a physiotherapist, begin gently."


@dataclass
class Course:
    """What happened so far, kept beside the studio to judge it by."""

    last_load: float = 0.0
    last_step: float = 0.0
    paused_since_load: bool = False
    eased_until: object = DAY
    rungs: dict[str, int] = field(default_factory=dict)
    loads_seen: int = 0
    stops: int = 0
    breaks: int = 0
    came_back: int = 0
    sore: dict = field(default_factory=dict)
    hurt: dict = field(default_factory=dict)


@dataclass
class Hurting:
    """An exercise that hurt on a day in the week that a lesson gave, and in how many weeks."""

    on: object
    rung: int
    week: object
    times: int
    is_back: bool = False


class Courses(StudioCase):
    seconds_each = 23

    def test_twelve_lessons(self):
        seen = Course()
        for seed in range(usually(6, 500)):
            with self.subTest(seed=seed):
                self.player.lessons.all().delete()
                self.player.level = "advanced" if seed % 2 else "intermediate"
                self.player.save()
                course = self.walk(random.Random(seed), WEAK if seed % 2 else GRIPPING)
                seen.loads_seen += course.loads_seen
                seen.stops += course.stops
                seen.breaks += course.breaks
                seen.came_back += course.came_back
        self.assertGreater(min(seen.loads_seen, seen.stops, seen.breaks), 2)
        self.assertGreater(seen.came_back, 0)

    def walk(self, chance, signs):
        course, on = Course(), DAY
        for number in range(LESSONS):
            is_break = number > 0 and chance.random() < 0.15
            on += timedelta(weeks=6 if is_break else 1)
            lesson = self.lesson((on - DAY).days // 7)
            if is_break:
                course.breaks += 1
                self.pause(course, lesson)
            self.ask(lesson, course, chance)
            for row in self.view(lesson).review:
                if chance.random() < 0.7:
                    passed = chance.random() < 0.7
                    self.enter(lesson, "result", str(row.item.pk), {"passed": passed})
            grades = {name: chance.choice((0, 1, 2, 3, 3)) for name in signs}
            self.look(lesson, {**grades, "elbow.behind": 0, "hold.slips": 0})
            self.enter(lesson, "focus", "", [f.cause for f in self.view(lesson).diagnosis.focus])
            self.judge(lesson, course)
            self.practise(lesson, chance, course)
        return course

    def pause(self, course, lesson):
        course.paused_since_load = True
        course.eased_until = max(course.eased_until, lesson.date + timedelta(days=14))

    def ask(self, lesson, course, chance):
        if self.view(lesson).open_flags:
            self.lift(lesson, course)
        stops = chance.random() < 0.15
        self.enter(lesson, "reports", "", {"swelling": True} if stops else {})
        for place in self.view(lesson).still_asked:
            answer = chance.choice(("gone", "gone", "less", "same"))
            self.enter(lesson, "again", place.value, answer)
            course.sore[place] = lesson.date if answer != "gone" else course.sore[place]
        if self.view(lesson).open_flags:
            stops = True
        if not stops:
            return
        course.stops += stops
        view = self.view(lesson)
        self.assertTrue(view.safety.is_red)
        self.assertEqual((view.proposal.items, view.alternatives), ((), ()))
        self.lift(lesson, course)

    def lift(self, lesson, course):
        lift_flags(self.player, note=NOTE, on=lesson.date)
        self.pause(course, lesson)

    def standing(self, lesson):
        return standing_before(self.player.pk, lesson.date)

    def judge(self, lesson, course):
        kept = self.standing(lesson)
        StoredStanding.objects.all().delete()
        self.assertEqual(kept, self.standing(lesson), "what is kept is what all lessons tell")
        view = self.view(lesson)
        items = view.proposal.items
        if lesson.date < course.eased_until:
            self.assertTrue(view.safety.is_amber, "eases off for two weeks")
        if view.safety.is_amber:
            for item in items:
                self.assertIsNone(too_much_when_easing(view.catalogue.exercises[item.exercise]))
        self.give(lesson, *(i.exercise for i in items))
        view = self.view(lesson)
        self.assertEqual(objections(view), [])
        self.judge_loads(items, course)
        self.judge_pains(lesson, items, course)
        for item in items:
            before = course.rungs.get(item.exercise, item.rung)
            self.assertLessEqual(item.rung, before + 1, "step by step")
            course.rungs[item.exercise] = item.rung

    def judge_pains(self, lesson, items, course):
        """Nothing on what hurt in a week; nothing that hurt for two, and then half of a step
        before."""
        exercises, instrument = load_catalogue().exercises, Instrument(self.player.instrument)
        late = {p for p, on in course.sore.items() if (lesson.date - on).days <= 7}
        for item in items:
            exercise = exercises[item.exercise]
            self.assertFalse(late and exercise.never_with_pain)
            for place in late:
                self.assertFalse(place.spares & exercise.loads_on(instrument, item.rung))
            hurt = course.hurt.get(item.exercise)
            if hurt is None or hurt.is_back:
                continue
            self.assertGreaterEqual((lesson.date - hurt.on).days, 14)
            self.assertLess(hurt.times, 2)
            self.assertLess(item.rung, max(2, hurt.rung))
            full = exercise.rung(item.rung).dose.work_seconds()
            self.assertLessEqual(item.dose.work_seconds(), full / 2 + 1e-9)
            course.came_back += 1

    def judge_loads(self, items, course):
        exercises = load_catalogue().exercises
        for item in items:
            exercise = exercises[item.exercise]
            if not is_load(exercise):
                continue
            course.loads_seen += 1
            fingers, days = len(item.fingers), len(item.days)
            load = item.dose.work_seconds(fingers) * days
            least = exercise.rung(item.rung).dose.least().work_seconds(fingers) * days
            if course.last_load:
                most = course.last_load / 2
                if not course.paused_since_load:
                    most = max(1.1 * course.last_load, course.last_load + course.last_step)
                self.assertLessEqual(load, max(most, least) + 1e-9)
            course.last_load, course.paused_since_load = load, False
            course.last_step = load / (item.dose.reps * item.dose.sets)

    def practise(self, lesson, chance, course):
        if not lesson.plan.items.exists():
            return
        token = make_link(lesson.player).token
        for day in range(1, 7):
            on = lesson.date + timedelta(days=day)
            if chance.random() < 0.6:
                self.log(lesson, token, on, chance, course)
        for name, hurt in course.hurt.items():
            was_given = lesson.plan.items.filter(exercise=name).exists()
            if was_given and hurt.week != lesson.date and not hurt.is_back:
                hurt.is_back = True

    def log(self, lesson, token, on, chance, course):
        before = open_link(token, on)
        held = {i.exercise: i for i in before.items if before.number(on) in before.days[i.exercise]}
        place = chance.choice((Place.THUMB, Place.FINGERS, Place.SHOULDER, Place.NECK))
        hurts = chance.random() < 0.05
        log = {"date": on, "done": "done", "felt": "soft", "pain": 2 if hurts else 0}
        week = log_day(token, {**log, "place": place.value if hurts else ""}, on)
        if not hurts or week.reasons is not None:
            return
        self.assertTrue(week.is_eased)
        course.sore[place] = on
        for name, item in held.items():
            loads = load_catalogue().exercises[name].loads_on(week.instrument, item.rung)
            if place.spares & loads:
                self.assertNotIn(name, {i.exercise for i in week.items})
                known = course.hurt.get(name)
                times = known.times + (known.week != lesson.date) if known else 1
                course.hurt[name] = Hurting(on, item.rung, lesson.date, times)
