"""The errors callers can act on. Both are ValueErrors with the field that is wrong."""


class InputError(ValueError):
    """A case, plan request or measurement that cannot be used.

    `field` names the place in the input ("observations.web.closed"); `problem` says what was
    expected and what was found.
    """

    def __init__(self, field: str, problem: str) -> None:
        self.field = field
        self.problem = problem
        super().__init__(f"{field}: {problem}" if field else problem)


class CatalogueError(ValueError):
    """A knowledge file that cannot be trusted. Names the file and the entry."""

    def __init__(self, file: str, entry: str, problem: str) -> None:
        self.file = file
        self.entry = entry
        self.problem = problem
        super().__init__(f"{file}: {entry}: {problem}")
