"""What is made from the other records and kept so that it need not be made anew."""

from django.db import models

from studio.models.people import Player


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
