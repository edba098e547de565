"""What a service says when it cannot do what was asked. Words for the teacher stand here."""

MESSAGES = {
    "not_found": "This is not among your records.",
    "bad_input": "Something in this entry cannot be used.",
    "conflict": "Something has changed in the meantime. Nothing was done.",
    "paused": "The plan is paused while a red flag is up. Lift the flag with a note first.",
    "question_open": "A question about pain is open. No week is given before it is answered.",
    "nothing_to_undo": "There is nothing left to undo.",
    "sign_in_failed": "Name and password do not match.",
    "sign_in_needed": "Please sign in.",
    "not_allowed": "This cannot be done here.",
    "too_large": "This is too large to be taken.",
    "busy": "Jolf is busy with something else. Nothing was lost: it goes on in a moment.",
    "storage": "The data folder cannot be used. Nothing was changed; see the server's log.",
    "failed": "Something went wrong in Jolf itself. Nothing was changed; see the server's log.",
    "leave_needed": "Ask first: say who has given leave to keep it.",
    "given_up": "Nobody waited for this any more. Nothing was kept.",
    "in_line": "Others are measured and drawn before this. It is tried again in a moment.",
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
