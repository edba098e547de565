"""Reasons of a stop stood as words; they are kept by their ids from now on."""

from django.db import migrations

IDS = {
    "numbness or tingling": "numbness",
    "pain that radiates": "radiating",
    "a finger that curls or escapes control": "curling",
    "swelling": "swelling",
    "sudden weakness or dropping things": "sudden_weakness",
    "pain of 4 or more out of 10": "pain",
    "pain at rest": "rest",
    "pain at night": "night",
    "pain that is still there the next day": "next_day",
    "pain in the same place for two weeks or more": "same_place",
}


def to_ids(apps, _schema_editor):
    _rename(apps, IDS)


def to_words(apps, _schema_editor):
    _rename(apps, {name: words for words, name in IDS.items()})


def _rename(apps, names):
    """In stops, and in what the log keeps of them to undo an entry."""
    for flag in apps.get_model("studio", "RedFlag").objects.all().iterator():
        flag.reasons = [names.get(reason, reason) for reason in flag.reasons]
        flag.save(update_fields=["reasons"])
    for entry in apps.get_model("studio", "LessonEntry").objects.exclude(aside=None).iterator():
        flag = entry.aside
        if isinstance(flag, dict) and "reasons" in flag:
            flag["reasons"] = [names.get(reason, reason) for reason in flag["reasons"]]
            entry.save(update_fields=["aside"])


class Migration(migrations.Migration):
    dependencies = [("studio", "0029_leave_and_time")]
    operations = [migrations.RunPython(to_ids, to_words)]
