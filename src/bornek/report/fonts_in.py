"""Makes the report's own faces known to the PDF library, once."""

from __future__ import annotations

import io
from importlib import resources

from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont

from bornek.report.paint import BOLD, PLAIN

MATH = "Bornek-Math"


def use_fonts() -> None:
    if PLAIN in pdfmetrics.getRegisteredFontNames():
        return
    for name, file in ((PLAIN, "bornek-sans-regular"), (BOLD, "bornek-sans-bold"), (MATH, "noto-sans-math")):
        data = resources.files("bornek.report").joinpath(f"fonts/{file}.ttf").read_bytes()
        pdfmetrics.registerFont(TTFont(name, io.BytesIO(data)))
