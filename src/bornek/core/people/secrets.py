"""What a passphrase and a PIN must be. Neither is kept or shown anywhere: only what was made of it."""

from __future__ import annotations

from bornek.core.errors import InputError

LEAST_PHRASE, MOST_PHRASE = 12, 128
LEAST_PIN, MOST_PIN = 6, 10
PLAIN = frozenset({
    "passwordpassword", "password1234", "passphrase123", "123456789012", "1234567890123", "qwertyuiopas", "qwertzuiopas",
    "qwerty123456", "iloveyou1234", "letmeinletmein", "adminadminadmin", "administrator", "welcome12345", "changeme1234",
    "abcdefghijkl", "aaaaaaaaaaaa", "mechanic1234", "workshop1234", "gearboxgearbox", "bearing12345",
})  # fmt: skip
"""Everybody tries these first."""
STRAIGHT = "01234567890123456789", "98765432109876543210"


def check_passphrase(text: str, name: str = "") -> None:
    """Raises InputError with what is wrong with it; spaces and any script are welcome.

    >>> check_passphrase("three worn bearings")
    >>> check_passphrase("marl tennick 1", "Marl Tennick")
    Traceback (most recent call last):
    bornek.core.errors.InputError: The passphrase holds your name.
    """
    why = ""
    if len(text) < LEAST_PHRASE:
        why = f"The passphrase has {len(text)} letters: at least {LEAST_PHRASE}."
    elif len(text) > MOST_PHRASE:
        why = f"The passphrase is longer than {MOST_PHRASE} letters."
    elif text.lower() in PLAIN or len(set(text)) < 4:
        why = "Everybody would try that passphrase first."
    elif name and name.lower() in text.lower():
        why = "The passphrase holds your name."
    if why:
        raise InputError(
            why, field="passphrase", next_step="Three or four words of your own are easy to keep."
        )


def check_pin(text: str) -> None:
    """Raises InputError with what is wrong with it.

    >>> check_pin("480293")
    >>> check_pin("123456")
    Traceback (most recent call last):
    bornek.core.errors.InputError: A PIN that counts up or down is the first that anybody tries.
    """
    why = ""
    if not (text.isascii() and text.isdigit() and LEAST_PIN <= len(text) <= MOST_PIN):
        why = f"A PIN has {LEAST_PIN} to {MOST_PIN} digits."
    elif any(text in row for row in STRAIGHT):
        why = "A PIN that counts up or down is the first that anybody tries."
    elif len(set(text)) < 3:
        why = "A PIN of one or two digits over and over is soon seen from behind."
    if why:
        raise InputError(why, field="pin", next_step="Take another one.")
