"""Who teaches in this studio. It belongs to its first teacher, who alone adds others, gives them
new passwords and removes them."""

import secrets
from dataclasses import dataclass

from django.contrib.auth.models import User
from django.contrib.auth.validators import UnicodeUsernameValidator
from django.core.exceptions import ValidationError
from django.db import transaction
from django.db.models import Count, QuerySet

from studio.errors import StudioError
from studio.lessons.access import Teacher

WORDS_OF_PASSWORD = 4
# Short, plain words, read out over a telephone without a slip.
WORDS = (
    *("amber", "anchor", "apron", "basket", "beacon", "berry", "birch", "blanket", "bottle"),
    *("bridge", "button", "candle", "canyon", "carpet", "cedar", "cherry", "clover", "cobble"),
    *("copper", "cotton", "cradle", "daisy", "ember", "engine", "fabric", "feather", "fennel"),
    *("ferry", "flannel", "forest", "garden", "ginger", "granite", "hammer", "harbour", "hazel"),
    *("helmet", "island", "ivory", "jacket", "kettle", "ladder", "lantern", "lemon", "linen"),
    *("magnet", "maple", "marble", "meadow", "mirror", "nutmeg", "orchard", "oyster", "paddle"),
    *("pebble", "pepper", "pillow", "planet", "pocket", "quartz", "ribbon", "saddle", "sandal"),
    *("silver", "spruce", "thimble", "timber", "tunnel", "velvet", "willow"),
)  # fmt: skip


@dataclass(frozen=True)
class Colleague:
    id: int
    name: str
    players: int
    is_owner: bool


def is_owner(teacher: Teacher) -> bool:
    first = User.objects.filter(is_active=True).order_by("pk").first()
    return first is not None and first.pk == teacher.pk


def check_owner(teacher: Teacher) -> None:
    """Raises StudioError for everybody else."""
    if not is_owner(teacher):
        raise StudioError("refused", "studio", "only the studio's first teacher can do this")


def colleagues() -> list[Colleague]:
    """By name, the owner first."""
    users: QuerySet[User] = User.objects.filter(is_active=True)
    rows = users.annotate(count=Count("players")).order_by("username")
    first = min((row.pk for row in rows), default=None)
    found = [Colleague(row.pk, row.get_username(), row.count, row.pk == first) for row in rows]
    return sorted(found, key=lambda each: not each.is_owner)


def add_colleague(name: str) -> str:
    """A new teacher; the password, told once. Raises StudioError naming the field."""
    name = name.strip()
    problem = name_problem(name)
    if problem:
        raise StudioError("bad_input", "name", problem)
    password = fresh_password()
    User.objects.create_user(name, password=password)
    return password


def name_problem(name: str) -> str:
    """Why a new teacher cannot sign in with this name; "" where they can."""
    if not name:
        return "a name is needed"
    try:
        User._meta.get_field("username").run_validators(name)
        UnicodeUsernameValidator()(name)
    except ValidationError as error:
        return " ".join(error.messages)
    taken = User.objects.filter(username__iexact=name).exists()
    return f"there is a teacher {name!r} already" if taken else ""


def renew_password(teacher_id: int) -> str:
    """Signed out everywhere; the new password, told once. Raises StudioError."""
    colleague = _colleague(teacher_id)
    password = fresh_password()
    colleague.set_password(password)
    colleague.save()
    return password


@transaction.atomic
def remove_colleague(teacher_id: int) -> None:
    """One without players; those of others are never erased by this, nor one who is just being
    added. Raises StudioError."""
    colleague = _colleague(teacher_id)
    if is_owner(colleague):
        raise StudioError("bad_input", "teacher", "the studio's first teacher stays")
    if colleague.players.exists():
        problem = "has players: they erase them or take them along as files first"
        raise StudioError("conflict", "teacher", problem)
    colleague.delete()


def fresh_password() -> str:
    """Four of sixty-odd words and a number: about 31 bits, behind the limit of tries."""
    words = [secrets.choice(WORDS) for _ in range(WORDS_OF_PASSWORD)]
    return "-".join([*words, str(secrets.randbelow(90) + 10)])


def _colleague(teacher_id: int) -> User:
    found = User.objects.filter(pk=teacher_id, is_active=True).first()
    if found is None:
        raise StudioError("not_found", "teacher")
    return found
