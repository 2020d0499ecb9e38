"""Rigs to practise on: made-up units whose truth nobody at the bench knows."""
