"""The practice sheet, its pages, and the calendar."""
