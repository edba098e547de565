"""The shapes that enter and leave the API, one file a noun."""
