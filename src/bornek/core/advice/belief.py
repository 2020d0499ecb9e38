"""What is believed of one row's answer to its knobs: a weighted bank of regressions.

y = a + k·x + scatter, with x the knobs' travel since the first round and y = value − aim, all in
µm. Each hypothesis holds a normal belief of (a, k) under one reassembly scatter; weights shift as
rounds come in. Censored readings, brackets and wild rounds are told apart from plain ones.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray
from scipy.special import log_ndtr, ndtr

Floats = NDArray[np.floating[Any]]

FIRST_SD_UM = 1000.0
"""Nothing is known of where the setting stands before it was read."""
NARROW_SHARE = 0.8
"""How far the declared prior of a response is trusted; the rest goes to a wider one."""
OUTLIER_SHARE = 0.05
"""One round in twenty is wild: a miscount, a slip, a bad seat."""
OUTLIER_SD_UM = 60.0
KEPT = 24
"""Hypotheses that are carried on; more change no decision of the benchmark."""
SCATTER_BANK_UM = ((3.5, 0.3), (6.5, 0.4), (10.0, 0.3))
"""Scatter of taking it apart and putting it together again, with weights, until it shows itself."""


@dataclass(frozen=True)
class Belief:
    """`m` [H, 1+K] means of (a, k…), `s` [H, 1+K, 1+K] covariances, `lw` log weights,
    `s_a` [H] reassembly scatter [µm]; `p_outlier` of the round last learned."""

    m: Floats
    s: Floats
    lw: Floats
    s_a: Floats
    p_outlier: float = 0.0

    @property
    def w(self) -> Floats:
        w = np.exp(self.lw - self.lw.max())
        total: Floats = w / w.sum()
        return total

    def response(self, knob: int = 0) -> tuple[float, float]:
        """Mean and sd of one knob's k over the bank."""
        w, k = self.w, self.m[:, 1 + knob]
        mean = float(w @ k)
        return mean, math.sqrt(max(float(w @ (self.s[:, 1 + knob, 1 + knob] + (k - mean) ** 2)), 0))

    def predict(self, x: Sequence[float]) -> tuple[float, float]:
        """Mean and sd of the true y after assembly at x [µm]."""
        g = np.array([1.0, *x])
        mu = self.m @ g
        var = np.einsum("i,hij,j->h", g, self.s, g) + self.s_a**2
        w = self.w
        mean = float(w @ mu)
        return mean, math.sqrt(float(w @ (var + (mu - mean) ** 2)))


def start(
    k0: Sequence[float],
    rho: float | Sequence[float],
    s_a: float | None = None,
    signs: Sequence[Sequence[float] | float] = (1.0,),
    exact: bool = False,
) -> Belief:
    """The bank before the first round.

    k0: prior of each knob's response; rho: its relative sd, one for all or one a knob. A second
    hypothesis is wider: 2ρ if ρ ≥ 0.15, else max(2.5ρ, 0.15), with weight 0.2. s_a [µm] fixes the
    scatter, else three are held. signs: of each knob, one set a hypothesis: (1, −1) where the only
    knob's sense is unknown. exact: k0 is known (a benchmark's oracle).

    >>> start([1.0], 0.05).m.shape
    (6, 2)
    >>> start([0.25, 0.7], (0.2, 0.15), signs=((1, 1), (-1, 1))).m.shape
    (12, 3)
    """
    k = np.asarray(k0, dtype=float)
    narrow = np.broadcast_to(np.asarray(rho, dtype=float), k.shape)
    wide = np.where(narrow >= 0.15, 2 * narrow, np.maximum(2.5 * narrow, 0.15))
    widths = [(np.full(k.shape, 1e-6), 1.0)] if exact else [(narrow, NARROW_SHARE), (wide, 1 - NARROW_SHARE)]
    scatters = [(s_a, 1.0)] if s_a is not None else list(SCATTER_BANK_UM)
    rows = [
        (np.asarray(sign, dtype=float), width, scatter, p * q / len(signs))
        for sign in signs
        for width, p in widths
        for scatter, q in scatters
    ]
    m = np.array([[0.0, *np.broadcast_to(sign, k.shape) * k] for sign, *_ in rows])
    s = np.array([np.diag([FIRST_SD_UM**2, *((width * k) ** 2)]) for _, width, *_ in rows])
    lw = np.log(np.array([p for *_, p in rows]))
    return Belief(m, s, lw, np.array([scatter for _, _, scatter, _ in rows]))


def _gain(b: Belief, x: Sequence[float], r2: float) -> tuple[Belief, Floats, Floats, Floats]:
    """Splits off outliers; returns the doubled bank, S·g, v and the predicted means."""
    g = np.array([1.0, *x])
    doubled = Belief(
        np.concatenate([b.m, b.m]),
        np.concatenate([b.s, b.s]),
        np.concatenate([b.lw + math.log(1 - OUTLIER_SHARE), b.lw + math.log(OUTLIER_SHARE)]),
        np.concatenate([b.s_a, b.s_a]),
    )
    sg = doubled.s @ g
    v = sg @ g + doubled.s_a**2 + r2
    v[len(b.lw) :] += OUTLIER_SD_UM**2
    return doubled, sg, v, doubled.m @ g


def _keep(b: Belief) -> Belief:
    half = len(b.lw) // 2
    w = b.w
    p_outlier = min(float(w[half:].sum()), 1.0)
    order = np.argsort(-b.lw, kind="stable")[:KEPT]
    return Belief(b.m[order], b.s[order], b.lw[order] - b.lw[order[0]], b.s_a[order], p_outlier)


def learn(b: Belief, x: Sequence[float], z: float, r2: float) -> Belief:
    """A plain round: mean reading z [µm from the aim] with reading variance r2 [µm²] at x.

    K = Σg/v; m += K i; Σ −= K gᵀΣ; ln w −= ½ ln v + ½ i²/v.

    >>> b = learn(start([1.0], 0.05), [0.0], 100.0, 4.0)
    >>> round(b.predict([0.0])[0])
    100
    """
    d, sg, v, mu = _gain(b, x, r2)
    i = z - mu
    gain = sg / v[:, None]
    return _keep(
        replace(
            d,
            m=d.m + gain * i[:, None],
            s=d.s - gain[:, :, None] * sg[:, None, :],
            lw=d.lw - 0.5 * np.log(v) - 0.5 * i * i / v,
        )
    )


def learn_at_most(b: Belief, x: Sequence[float], c: float, r2: float) -> Belief:
    """A censored round: y + noise ≤ c (c shifted by the aim). Moment-matched update.

    α = (c − μ)/s, q = φ(α)/Φ(α); E = −s q, f = 1 − αq − q²; w ×= Φ(α).

    >>> b = learn_at_most(learn(start([1.0], 0.05), [0.0], 100.0, 4.0), [-150.0], 2.0, 4.0)
    >>> b.predict([-150.0])[0] < 0
    True
    """
    return learn_between(b, x, -math.inf, c, r2)


def learn_between(b: Belief, x: Sequence[float], lo: float, hi: float, r2: float) -> Belief:
    """A bracket: lo ≤ y + noise ≤ hi, either end may be infinite. Same update with
    Z = Φ(β) − Φ(α), e = (φ(α) − φ(β))/Z, f = 1 + (αφ(α) − βφ(β))/Z − e²."""
    d, sg, v, mu = _gain(b, x, r2)
    s = np.sqrt(v)
    alpha, beta = (lo - mu) / s, (hi - mu) / s
    lz = _log_between(alpha, beta)
    pa, pb = _density_ratio(alpha, lz), _density_ratio(beta, lz)
    e = pa - pb
    f = 1.0 + _times(alpha, pa) - _times(beta, pb) - e * e
    f = np.clip(f, 1e-9, 1.0)
    gain = sg / v[:, None]
    return _keep(
        replace(
            d,
            m=d.m + gain * (e * s)[:, None],
            s=d.s - gain[:, :, None] * sg[:, None, :] * (1 - f)[:, None, None],
            lw=d.lw + lz,
        )
    )


def _log_between(alpha: Floats, beta: Floats) -> Floats:
    """ln(Φ(β) − Φ(α)), steady in both tails."""
    flip = alpha > 0
    lo, hi = np.where(flip, -beta, alpha), np.where(flip, -alpha, beta)
    l_hi, l_lo = log_ndtr(hi), log_ndtr(lo)
    with np.errstate(divide="ignore", invalid="ignore"):
        out: Floats = l_hi + np.log1p(-np.exp(np.minimum(l_lo - l_hi, -1e-300)))
    return np.where(np.isfinite(out), out, -1e6)


def _density_ratio(t: Floats, lz: Floats) -> Floats:
    safe = np.where(np.isfinite(t), t, 0.0)
    ratio = np.exp(np.clip(-0.5 * safe * safe - 0.5 * math.log(2 * math.pi) - lz, -700, 700))
    return np.where(np.isfinite(t), ratio, 0.0)


def _times(t: Floats, p: Floats) -> Floats:
    return np.where(np.isfinite(t), np.where(np.isfinite(t), t, 0.0) * p, 0.0)


def chance_between(b: Belief, x: Any, lo: float, hi: float, r2: float) -> float:
    """P(lo ≤ y + noise ≤ hi) at x."""
    g = np.array([1.0, *x])
    mu = b.m @ g
    sd = np.sqrt(np.einsum("i,hij,j->h", g, b.s, g) + b.s_a**2 + r2)
    return float(b.w @ (ndtr((hi - mu) / sd) - ndtr((lo - mu) / sd)))
