"""Write beside every measured value the grade that it has now, so that it keeps it."""

from django.db import migrations

from lefthand.case.findings import parse_finding, with_grades
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.errors import InputError
from studio.memory.findings import grading_of


def keep_grades(apps, _schema_editor):
    evidence = load_catalogue().evidence
    observations = apps.get_model("studio", "Observation").objects.filter(
        entered__icontains="value"
    ).select_related("lesson__player__teacher__studio_settings")
    for each in observations.iterator(chunk_size=500):
        found = evidence.get(each.evidence)
        if found is None:
            continue
        try:
            finding = parse_finding(each.entered, found, grading_of(each.lesson))
        except InputError:
            continue
        each.entered = with_grades(each.entered, finding)
        each.save(update_fields=["entered"])


class Migration(migrations.Migration):
    dependencies = [("studio", "0010_safety_and_log")]
    operations = [migrations.RunPython(keep_grades, migrations.RunPython.noop)]
