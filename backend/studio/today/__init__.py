"""The day's list, the timetable, and who is worth a thought."""
