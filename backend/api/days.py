"""The day it is for whoever asks."""

from datetime import date

from django.http import HttpRequest

from studio.memory.days import today_of


def today(request: HttpRequest) -> date:
    """The teacher's own day, in their time zone."""
    return today_of(request.user.pk)
