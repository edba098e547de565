"""Pictures of hands."""
