"""Who is here."""

from ninja import Field, Schema


class TeacherOut(Schema):
    """`key`: tells this teacher's entries from another's in one browser. `letter_keys`: single
    keys act while nothing is being typed. `hand_tone`: in which hands are drawn."""

    key: str
    username: str
    name: str
    is_demo: bool
    letter_keys: bool
    hand_tone: str


class SessionOut(Schema):
    """Who is signed in, and what of the studio every page needs."""

    teacher: TeacherOut | None


class SignInIn(Schema):
    """Name and password."""

    username: str = Field(max_length=150)
    password: str = Field(max_length=200)
