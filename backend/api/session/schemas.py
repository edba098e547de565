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
    teacher: TeacherOut | None


class SignInIn(Schema):
    username: str = Field(max_length=150)
    password: str = Field(max_length=200)
