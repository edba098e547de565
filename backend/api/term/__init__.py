"""What has changed over a player's lessons: the term in words and as a picture."""
