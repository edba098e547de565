"""A lesson and what was looked at, found and decided in it."""

from django.db import models

from studio.models.people import Player


class Lesson(models.Model):
    """One lesson. `revision` counts changes, so that a second tab notices the first's.

    `starting_counts`: [confirmed, refuted] by cause from the teacher's other players when the
    lesson began; empty when they are not to count. `break_weeks`: None while nobody was asked.
    `practised`: days of the week before on which the player says there was practice, where no log
    came home; None while nobody was asked.
    `again`: how what was told last time is now (gone, less, same, more), by place of a pain,
    "tired" or "complaint". `complaint_finger`: in which it shows, None for none.
    `is_glance`: begun by a look over a whole class, and not a lesson yet. `one_thing`: the
    teacher's own words for what the week is about; "" for the catalogue's. `home_take`: the check
    for which the player records a drill at home in the week after it; "" for none.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="lessons")
    date = models.DateField()
    revision = models.PositiveIntegerField(default=0)
    asked = models.BooleanField(default=False)
    reports = models.JSONField(default=dict, blank=True)
    complaint = models.CharField(max_length=40, blank=True)
    complaint_finger = models.PositiveSmallIntegerField(null=True, blank=True)
    again = models.JSONField(default=dict, blank=True)
    skipped = models.JSONField(default=list, blank=True)
    teacher_line = models.CharField(max_length=300, blank=True)
    one_thing = models.CharField(max_length=80, blank=True)
    look_order = models.CharField(max_length=10, default="telling")
    starting_counts = models.JSONField(default=dict, blank=True)
    harder_piece = models.BooleanField(default=False)
    break_weeks = models.FloatField(null=True, blank=True)
    practised = models.JSONField(null=True, blank=True)
    is_glance = models.BooleanField(default=False)
    home_take = models.CharField(max_length=60, blank=True)

    class Meta:
        ordering = ["date", "pk"]
        constraints = [
            models.UniqueConstraint(fields=["player", "date"], name="one_lesson_a_player_a_day")
        ]

    def __str__(self) -> str:
        return f"{self.player}, {self.date}"


class Observation(models.Model):
    """One finding as it was entered: a grade, {"value": number, "grade": as it was graded then}, or
    either by finger."""

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="observations")
    evidence = models.CharField(max_length=40)
    entered = models.JSONField()
    position = models.PositiveIntegerField()

    class Meta:
        ordering = ["position"]
        constraints = [
            models.UniqueConstraint(fields=["lesson", "evidence"], name="one_finding_a_lesson")
        ]

    def __str__(self) -> str:
        return self.evidence


class CauseWord(models.Model):
    """The teacher's word on a cause, with why: pinned, dismissed, or open again after an earlier
    lesson had dismissed it."""

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="cause_words")
    cause = models.CharField(max_length=40)
    word = models.CharField(
        max_length=10, choices=[(w, w) for w in ("pinned", "dismissed", "open")]
    )
    why = models.CharField(max_length=200, blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["lesson", "cause"], name="one_word_a_cause_a_lesson")
        ]

    def __str__(self) -> str:
        return f"{self.cause} {self.word}"


class Focus(models.Model):
    """A focus that was decided, with the engine's view at that moment beside it. `follows`: it was
    taken as proposed, so that it goes with the theory when the lesson's grades are corrected."""

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="focuses")
    cause = models.CharField(max_length=40)
    rank = models.PositiveSmallIntegerField()
    fingers = models.JSONField(default=list, blank=True)
    why = models.TextField(blank=True)
    probability = models.FloatField()
    is_engines = models.BooleanField()
    follows = models.BooleanField(default=False)

    class Meta:
        ordering = ["rank"]
        constraints = [
            models.UniqueConstraint(fields=["lesson", "rank"], name="one_focus_a_rank"),
        ]

    def __str__(self) -> str:
        return self.cause


class LessonEntry(models.Model):
    """The log of a lesson: every entry with what stood there before, so that it can be undone.

    `client_key` is made by the browser; an entry that arrives twice is taken once. `aside`: what
    else the entry changed, as it was before. `undone_by`: the key of the undo that took it back.
    """

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="entries")
    client_key = models.CharField(max_length=64)
    kind = models.CharField(max_length=16)
    key = models.CharField(max_length=60, blank=True)
    before = models.JSONField(null=True)
    after = models.JSONField(null=True)
    aside = models.JSONField(null=True)
    undone = models.BooleanField(default=False)
    undone_by = models.CharField(max_length=64, blank=True)
    made_at = models.DateTimeField(auto_now_add=True, null=True)

    class Meta:
        ordering = ["pk"]
        constraints = [
            models.UniqueConstraint(fields=["lesson", "client_key"], name="an_entry_counts_once")
        ]

    def __str__(self) -> str:
        return f"{self.kind} {self.key}"
