"""The demo studio, built through the services of the others."""
