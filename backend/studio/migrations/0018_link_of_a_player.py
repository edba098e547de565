import django.db.models.deletion
from django.db import migrations, models


def keep_the_newest(apps, _editor):
    """Each player keeps the link of the newest week that has one; the others had ended with it."""
    links = apps.get_model("studio", "HomeLink").objects
    seen = set()
    for link in links.select_related("lesson").order_by("-lesson__date", "-pk"):
        if link.lesson.player_id in seen:
            link.delete()
            continue
        seen.add(link.lesson.player_id)
        link.player_id = link.lesson.player_id
        link.save(update_fields=["player"])


class Migration(migrations.Migration):
    dependencies = [("studio", "0017_focus_that_follows")]

    operations = [
        migrations.AddField(
            "homelink",
            "player",
            models.OneToOneField(
                null=True,
                on_delete=django.db.models.deletion.CASCADE,
                related_name="home_link",
                to="studio.player",
            ),
        ),
        migrations.RunPython(keep_the_newest, migrations.RunPython.noop),
        migrations.RemoveField("homelink", "lesson"),
        migrations.AlterField(
            "homelink",
            "player",
            models.OneToOneField(
                on_delete=django.db.models.deletion.CASCADE,
                related_name="home_link",
                to="studio.player",
            ),
        ),
    ]
