"""The week at home: private link, week in force, logged days, takes."""
