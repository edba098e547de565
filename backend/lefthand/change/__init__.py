"""What truly changed over the lessons of one player, what helped, and what comes next."""
