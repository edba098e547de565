"""How long an exercise stays out (rules of the trade: common practice, no source)."""

OUT_AFTER_PAIN = 14  # days
TWICE = 2
FAILED_LESSONS = 3
OUT_AFTER_FAILING = 56  # days
