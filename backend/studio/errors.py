"""What a service says when it cannot do what was asked. Words for the teacher stand here."""

MESSAGES = {
    "not_found": "This is not among your records.",
    "bad_input": "Something in this entry cannot be used.",
    "paused": "The plan is paused while a red flag is up. Lift the flag with a note first.",
    "nothing_to_undo": "There is nothing left to undo.",
    "sign_in_failed": "Name and password do not match.",
    "sign_in_needed": "Please sign in.",
    "slow_down": "Too many tries. Wait a minute, then try again.",
    "link_gone": "This link is not in use any more. Ask your teacher for the new one.",
    "refused": "This was refused.",
}


class StudioError(Exception):
    """A refusal with a code from MESSAGES; `field` and `problem` where one field is to blame."""

    def __init__(self, code: str, field: str = "", problem: str = "") -> None:
        self.code = code
        self.field = field
        self.problem = problem
        super().__init__(MESSAGES[code])

    @property
    def message(self) -> str:
        return MESSAGES[self.code]
