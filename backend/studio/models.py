"""Records of a studio. Thin: rules live in the core, writes in `services`.

Every record belongs to one teacher through its player, and only that teacher sees it.
"""

from django.conf import settings
from django.db import models

INSTRUMENTS = [("vn", "violin"), ("va", "viola"), ("vc", "cello"), ("db", "double bass")]
# Skin tones of the drawn hand, light to dark; unpainted until the teacher chooses.
HAND_TONES = [(tone, tone) for tone in ("outline", "one", "two", "three", "four", "five")]
LEVELS = [("beginner", "beginner"), ("intermediate", "intermediate"), ("advanced", "advanced")]


class TeacherSettings(models.Model):
    """What a teacher set once for all players.

    `learns`: own lessons shift the starting probabilities of causes; only lessons after
    `learns_after` count. `shows_helped`: the desk tells what went before a change. `time_zone`: in
    which the teacher's days begin; "" for this computer's. `letter_keys`: single keys act while
    nothing is being typed. `hand_tone`: in which the hand is drawn; 'outline' leaves its skin
    unpainted.
    """

    teacher = models.OneToOneField(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="studio_settings"
    )
    display_name = models.CharField(max_length=80, blank=True)
    way_of_teaching = models.JSONField(default=dict, blank=True)
    thresholds = models.JSONField(default=dict, blank=True)
    learns = models.BooleanField(default=False)
    learns_after = models.DateField(null=True, blank=True)
    shows_helped = models.BooleanField(default=True)
    time_zone = models.CharField(max_length=60, blank=True)
    letter_keys = models.BooleanField(default=True)
    hand_tone = models.CharField(max_length=10, choices=HAND_TONES, default="outline")

    def __str__(self) -> str:
        return self.display_name or str(self.teacher)


class Group(models.Model):
    """Players taught together. `checks` are those of the present sweep."""

    teacher = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="player_groups"
    )
    name = models.CharField(max_length=80)
    checks = models.JSONField(default=list, blank=True)

    class Meta:
        ordering = ["name", "pk"]

    def __str__(self) -> str:
        return self.name


class Player(models.Model):
    """`disliked`: exercises that the player does not like. `missing`: equipment not at home.
    `changes`: counts what changed in the lessons, so that nothing older is kept as new."""

    teacher = models.ForeignKey(
        settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="players"
    )
    group = models.ForeignKey(
        Group, on_delete=models.SET_NULL, related_name="players", null=True, blank=True
    )
    name = models.CharField(max_length=80)
    instrument = models.CharField(max_length=2, choices=INSTRUMENTS)
    level = models.CharField(max_length=12, choices=LEVELS, default="beginner")
    birth_year = models.PositiveSmallIntegerField(null=True, blank=True)
    daily_minutes = models.FloatField(null=True, blank=True)
    hours_a_day = models.FloatField(default=1)
    helper_at_home = models.BooleanField(null=True, blank=True)
    way_of_teaching = models.JSONField(default=dict, blank=True)
    piece = models.CharField(max_length=120, blank=True)
    weekday = models.PositiveSmallIntegerField(null=True, blank=True)
    lesson_time = models.TimeField(null=True, blank=True)
    disliked = models.JSONField(default=list, blank=True)
    missing = models.JSONField(default=list, blank=True)
    self_check = models.BooleanField(default=False)
    changes = models.PositiveIntegerField(default=0)

    class Meta:
        ordering = ["lesson_time", "name"]

    def __str__(self) -> str:
        return self.name


class Lesson(models.Model):
    """One lesson. `revision` counts changes, so that a second tab notices the first's.

    `starting_counts`: [confirmed, refuted] by cause from the teacher's other players when the
    lesson began; empty when they are not to count. `break_weeks`: None while nobody was asked.
    `practised`: days of the week before on which the player says there was practice, where no log
    came home; None while nobody was asked.
    `is_glance`: begun by a look over a whole class, and not a lesson yet.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="lessons")
    date = models.DateField()
    revision = models.PositiveIntegerField(default=0)
    asked = models.BooleanField(default=False)
    reports = models.JSONField(default=dict, blank=True)
    complaint = models.CharField(max_length=40, blank=True)
    skipped = models.JSONField(default=list, blank=True)
    teacher_line = models.CharField(max_length=300, blank=True)
    look_order = models.CharField(max_length=10, default="telling")
    starting_counts = models.JSONField(default=dict, blank=True)
    harder_piece = models.BooleanField(default=False)
    break_weeks = models.FloatField(null=True, blank=True)
    practised = models.JSONField(null=True, blank=True)
    is_glance = models.BooleanField(default=False)

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


class Plan(models.Model):
    """The week that was given. `focus`: the causes that it was made for; None where that was not
    written down yet."""

    lesson = models.OneToOneField(Lesson, on_delete=models.CASCADE, related_name="plan")
    focus = models.JSONField(null=True, blank=True)

    def __str__(self) -> str:
        return f"plan of {self.lesson}"


class PlanItem(models.Model):
    """One exercise of a plan, with its dose as numbers. `tempo`: where it begins, `goal`: where it
    leads, beats a minute."""

    plan = models.ForeignKey(Plan, on_delete=models.CASCADE, related_name="items")
    order = models.PositiveSmallIntegerField()
    exercise = models.CharField(max_length=40)
    rung = models.PositiveSmallIntegerField()
    reps = models.PositiveSmallIntegerField()
    sets = models.PositiveSmallIntegerField()
    seconds = models.FloatField()
    tempo = models.PositiveSmallIntegerField(null=True, blank=True)
    goal = models.PositiveSmallIntegerField(null=True, blank=True)
    days = models.JSONField(default=list)
    fingers = models.JSONField(default=list, blank=True)
    why = models.TextField(blank=True)

    class Meta:
        ordering = ["order"]
        constraints = [
            models.UniqueConstraint(fields=["plan", "exercise"], name="one_exercise_a_plan")
        ]

    def __str__(self) -> str:
        return self.exercise


class PracticeResult(models.Model):
    """How an item went: on a day at home, or shown in the next lesson (`lesson` is set)."""

    item = models.ForeignKey(PlanItem, on_delete=models.CASCADE, related_name="results")
    lesson = models.ForeignKey(
        Lesson, on_delete=models.CASCADE, related_name="results", null=True, blank=True
    )
    date = models.DateField()
    passed = models.BooleanField()
    pain = models.FloatField(null=True, blank=True)
    tighter = models.BooleanField(default=False)

    class Meta:
        ordering = ["date", "pk"]
        constraints = [
            models.UniqueConstraint(
                fields=["item", "lesson"],
                name="one_result_a_lesson",
                condition=models.Q(lesson__isnull=False),
            )
        ]

    def __str__(self) -> str:
        return f"{self.item}: {'passed' if self.passed else 'not yet'}"


class RedFlag(models.Model):
    """Reasons to stop. Plans are paused until the teacher lifts it with a dated note.

    `from_home`: raised by a practice log and not by the answers of a lesson. `pain`: the most that
    was told when it was raised. `log_key`: of the log that raised it. `mistaken`: taken back on the
    phone within a minute; it then never counted as a stop.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="red_flags")
    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="red_flags")
    raised_on = models.DateField()
    reasons = models.JSONField(default=list)
    lifted_on = models.DateField(null=True, blank=True)
    note = models.CharField(max_length=300, blank=True)
    from_home = models.BooleanField(default=False)
    pain = models.FloatField(null=True, blank=True)
    log_key = models.CharField(max_length=80, blank=True)
    mistaken = models.BooleanField(default=False)

    class Meta:
        ordering = ["-raised_on", "-pk"]

    def __str__(self) -> str:
        return f"{self.player}: {', '.join(self.reasons)}"


class HomeLink(models.Model):
    """The private address of a player's week in force. Whoever has it sees first name, plan and
    music."""

    player = models.OneToOneField(Player, on_delete=models.CASCADE, related_name="home_link")
    token = models.CharField(max_length=43, unique=True)
    revoked = models.BooleanField(default=False)

    def __str__(self) -> str:
        return f"link of {self.player}"


class HomeDay(models.Model):
    """How a practice day went, as it was logged at home. A later log of the day replaces it.

    `parts`: the exercises of which it was where it was not all of them; None where that was not
    said.

    `later`: what was answered the next day about pain of this day, a list of PAIN_TIMES; None while
    nobody was asked. `tempos`: by exercise, {"highest": beats a minute or None, "plays": number,
    "slow": of them below the goal}. `checks`: what the player found on the own hand "before" and
    "after" practice, as lists of what was as it should be; beside the lesson's grades, never mixed
    with them.
    """

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="home_days")
    date = models.DateField()
    done = models.CharField(max_length=6, choices=[(w, w) for w in ("done", "partly", "not")])
    parts = models.JSONField(null=True, blank=True)
    felt = models.CharField(
        max_length=6, choices=[(w, w) for w in ("soft", "mixed", "tight")], blank=True
    )
    pain = models.PositiveSmallIntegerField(default=0)
    signs = models.JSONField(default=list, blank=True)
    later = models.JSONField(null=True, blank=True)
    tempos = models.JSONField(default=dict, blank=True)
    checks = models.JSONField(default=dict, blank=True)

    class Meta:
        ordering = ["date"]
        constraints = [models.UniqueConstraint(fields=["lesson", "date"], name="one_log_a_day")]

    def __str__(self) -> str:
        return f"{self.date}: {self.done}"


class Setup(models.Model):
    """How the instrument is fitted to the player from a day on. Lengths in mm, weight in g; None
    where it was not measured. `change`: what was changed then, in words; `judged`: what the next
    lesson found of it."""

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="setups")
    date = models.DateField()
    size = models.CharField(max_length=12, blank=True)
    string_length = models.FloatField(null=True, blank=True)
    pad = models.CharField(max_length=60, blank=True)
    side = models.CharField(max_length=60, blank=True)
    endpin = models.CharField(max_length=60, blank=True)
    seat = models.CharField(max_length=60, blank=True)
    tapes = models.JSONField(default=list, blank=True)
    weight = models.FloatField(null=True, blank=True)
    change = models.CharField(max_length=200, blank=True)
    judged = models.CharField(
        max_length=8, choices=[(w, w) for w in ("helped", "same", "worse")], blank=True
    )

    class Meta:
        ordering = ["date"]
        constraints = [
            models.UniqueConstraint(fields=["player", "date"], name="one_setup_a_player_a_day")
        ]

    def __str__(self) -> str:
        return f"{self.player}, fit of {self.date}"


class HandPicture(models.Model):
    """A picture of the hand that the teacher chose to keep, cut to the hand, as JPEG.

    `name`: unguessable, its address. `measure`: what was measured on it, "" for nothing;
    `finger`: on which one. `points`: pixels of the kept cut, as in `jolf-points/1`. `words`: the
    teacher's own.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="pictures")
    name = models.CharField(max_length=43, unique=True)
    date = models.DateField()
    measure = models.CharField(max_length=20, blank=True)
    finger = models.PositiveSmallIntegerField(null=True, blank=True)
    points = models.JSONField(default=dict, blank=True)
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    words = models.CharField(max_length=120, blank=True)
    image = models.BinaryField()

    class Meta:
        ordering = ["date", "pk"]

    def __str__(self) -> str:
        return f"{self.player}, picture of {self.date}"


class Take(models.Model):
    """What a recording told; the sound itself is never kept.

    `evidence`: the check it was asked for. `part`: "slow" or "fast". `score`: what was played, as
    `jolf-drill/1`; `result`: as `jolf-take/1`. `words`: its sentence. `is_simulated`: a made-up
    player played it.
    """

    lesson = models.ForeignKey(Lesson, on_delete=models.CASCADE, related_name="takes")
    evidence = models.CharField(max_length=60)
    part = models.CharField(max_length=4)
    is_simulated = models.BooleanField(default=False)
    score = models.JSONField()
    result = models.JSONField()
    words = models.CharField(max_length=300)

    class Meta:
        ordering = ["pk"]

    def __str__(self) -> str:
        return f"{self.lesson}, take for {self.evidence}"


class StoredStanding(models.Model):
    """Where the player stands before a day, so that it need not be told anew from all lessons.

    Made from the other records and never the only place of anything. `made_by`: the rules and the
    knowledge that it was made with.
    """

    player = models.ForeignKey(Player, on_delete=models.CASCADE, related_name="standings")
    before = models.DateField()
    made_by = models.CharField(max_length=16)
    data = models.JSONField()

    class Meta:
        ordering = ["-before"]
        constraints = [
            models.UniqueConstraint(fields=["player", "before"], name="one_standing_a_day")
        ]

    def __str__(self) -> str:
        return f"{self.player} before {self.before}"


class Summary(models.Model):
    """What all lessons of a player come to, as lists over many players show it.

    Made from the other records. `verdicts`: causes that the lessons have settled, {cause:
    "confirmed" or "refuted"}, of lessons after the day `after`. `day`: what the day's list shows,
    from the lessons up to `day_of`. `term`: what has changed over all lessons up to `term_of`, and
    `line`: what of it lists of players say. None while it was not asked for. `made_by`: the rules
    and the knowledge that all of it was made with.
    """

    player = models.OneToOneField(Player, on_delete=models.CASCADE, related_name="summary")
    verdicts = models.JSONField(null=True)
    after = models.DateField(null=True)
    day = models.JSONField(null=True)
    day_of = models.DateField(null=True)
    term = models.JSONField(null=True)
    line = models.JSONField(null=True)
    term_of = models.DateField(null=True)
    made_by = models.CharField(max_length=16, blank=True)

    def __str__(self) -> str:
        return f"summary of {self.player}"


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
