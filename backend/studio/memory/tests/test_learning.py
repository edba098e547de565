"""Learning from own lessons: off by default, frozen for a lesson, forgettable, one teacher's only."""

from datetime import timedelta

from django.contrib.auth import get_user_model

from studio.desk.desk import forget_settled, set_learning, settings_of
from studio.lessons.access import start_lesson
from studio.lessons.cases import LessonView
from studio.memory.learning import settled_by
from studio.models import Player, Summary
from studio.tests.studio_case import DAY, GRIP, StudioCase

EASED = {"web.closed": 1, "thumb.locked": 0, "nail.pale": 0}
CAUSE = "thumb_index_grip"


class Learning(StudioCase):
    def setUp(self):
        super().setUp()
        self.whole_lesson(0, GRIP)
        self.look(self.lesson(1), EASED)
        self.newcomer = Player.objects.create(teacher=self.teacher, name="Nova", instrument="vn")

    def settled(self):
        return settled_by(settings_of(self.teacher))

    def probability(self, player, on=DAY):
        lesson = start_lesson(Player.objects.get(pk=player.pk), on)
        return LessonView(lesson).diagnosis.probability(CAUSE)

    def test_what_other_rules_had_settled_does_not_count(self):
        self.settled()
        Summary.objects.update(made_by="older", verdicts={"weak_finger": "confirmed"})
        self.assertNotIn("weak_finger", self.settled())

    def test_work_that_helped_confirms_its_cause(self):
        self.assertEqual(self.settled()[CAUSE].confirmed, 1)

    def test_it_is_off_until_the_teacher_turns_it_on(self):
        before = self.probability(self.newcomer)
        set_learning(self.teacher, on=True)
        self.assertEqual(self.probability(self.newcomer), before, "a begun lesson stays as it is")
        later = self.probability(self.newcomer, DAY + timedelta(weeks=1))
        self.assertGreater(later, before)

    def test_nobody_counts_for_their_own_diagnosis(self):
        set_learning(self.teacher, on=True)
        own = start_lesson(Player.objects.get(pk=self.player.pk), DAY + timedelta(weeks=2))
        self.assertEqual(own.starting_counts, {})

    def test_forgetting_starts_anew(self):
        forget_settled(self.teacher, DAY + timedelta(weeks=1))
        self.assertEqual(self.settled(), {})

    def test_another_teachers_lessons_do_not_count(self):
        other = get_user_model().objects.create_user("other")
        self.assertEqual(settled_by(settings_of(other)), {})
