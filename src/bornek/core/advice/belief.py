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

from bornek.core.uncertainty import COVERAGE

Floats = NDArray[np.floating[Any]]
Ints = NDArray[np.int64]
Bools = NDArray[np.bool_]

UM = 1000.0
"""A length's belief is kept in µm."""
FIRST_SD_UM = 1000.0
"""Nothing is known of where the setting stands before it was read."""
NARROW_SHARE = 0.8
"""How far the declared prior of a response is trusted; the rest goes to a wider one."""
OUTLIER_SHARE = 0.05
"""One round in twenty is wild: a miscount, a slip, a bad seat."""
OUTLIER_SD_UM = 60.0
KEPT = 24
"""Hypotheses that are carried on; more change no decision of the benchmark."""
KEPT_WITH_DRAG = 96
"""With the ratio of drag to preload held open as well, four times as many."""
DRAG_RATIOS = (0.6, 0.8, 1.0, 1.25, 1.6)
DRAG_SPREAD = 0.25
"""How drag answers preload, as multiples of what the two windows say, and the spread of its logarithm."""
DRAG_SHARE_SD = 0.05
"""A drag in steady turning is read within 5 %."""
SPARE_SAID = 0.2
"""By how much the spare priors count in what is said as give or take."""
HALVINGS = 40
"""Of the span in which an end of the 95 % lies: finer than any number that is shown."""
MOST_TOLD_APART = 62
"""Rounds of which it is remembered one by one whether they were wild."""
SCATTER_BANK_UM = ((3.5, 0.3), (6.5, 0.4), (10.0, 0.3))
"""Scatter of taking it apart and putting it together again, with weights, until it shows itself."""


@dataclass(frozen=True)
class Belief:
    """`m` [H, 1+K] means of (a, k…), `s` [H, 1+K, 1+K] covariances, `lw` log weights,
    `s_a` [H] reassembly scatter [µm], `off` [H] which rounds a hypothesis takes as wild (bit n: the n-th
    learned), `rho_q` [H] drag for each µm of preload as a multiple of the nominal, `seen` rounds learned."""

    m: Floats
    s: Floats
    lw: Floats
    s_a: Floats
    off: Ints
    rho_q: Floats
    spare: Bools
    """Hypotheses held in case the declared prior is wrong."""
    seen: int = 0

    @property
    def w(self) -> Floats:
        w = np.exp(self.lw - self.lw.max())
        total: Floats = w / w.sum()
        return total

    def p_off(self, learned: int) -> float:
        """The chance that the round learned as number `learned`, from 0, was wild."""
        return min(float(self.w[(self.off >> learned) & 1 == 1].sum()), 1.0)

    def p_any_off(self, settled: int = 0) -> float:
        """The chance that any round so far was wild; `settled` bits of those that were explained."""
        return min(float(self.w[self.off & ~settled != 0].sum()), 1.0)

    def trusting(self, learned: int) -> Belief:
        """What is believed once the round learned as number `learned` is known to be right."""
        sound = np.flatnonzero((self.off >> learned) & 1 == 0)
        return self.only(sound) if len(sound) else self

    def with_other_parts(self) -> Belief:
        """What is left to be believed when a part was exchanged: how it answers, not where it stands."""
        s = self.s.copy()
        s[:, 0, 0] += FIRST_SD_UM**2
        return replace(self, s=s)

    def only(self, rows: Ints) -> Belief:
        """The same bank with these hypotheses alone, in this order."""
        return replace(
            self,
            m=self.m[rows],
            s=self.s[rows],
            lw=self.lw[rows],
            s_a=self.s_a[rows],
            off=self.off[rows],
            rho_q=self.rho_q[rows],
            spare=self.spare[rows],
        )

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

    def between_95(self, x: Sequence[float], r2: float = 0.0) -> tuple[float, float]:
        """Mean of y at x, and a quarter of the width that holds it, with reading noise r2, 95 times in 100.

        What is held in case the declared prior is wrong guards the choice; as give or take it would hold 99
        times in 100 where the prior is right, so it counts here by a fifth.
        """
        g = np.array([1.0, *x])
        mu, w = self.m @ g, self.w * np.where(self.spare, SPARE_SAID, 1.0)
        w = w / w.sum()
        sd = np.sqrt(np.einsum("i,hij,j->h", g, self.s, g) + self.s_a**2 + r2)
        ends = np.array([float((mu - 9 * sd).min()), float((mu + 9 * sd).max())])
        lo, hi = np.repeat(ends[:1], 2), np.repeat(ends[1:], 2)
        wanted = np.array([0.025, 0.975])
        for _ in range(HALVINGS):
            middle = (lo + hi) / 2
            below = w @ ndtr((middle[None, :] - mu[:, None]) / sd[:, None]) < wanted
            lo, hi = np.where(below, middle, lo), np.where(below, hi, middle)
        return float(self.w @ mu), float(np.ptp((lo + hi) / 2)) / (2 * COVERAGE)


@dataclass(frozen=True)
class Prior:
    """One way in which the responses may be: their means and sds, and how far it is trusted."""

    k: tuple[float, ...]
    sd: tuple[float, ...]
    share: float = 1.0
    spare: bool = False


def declared(k0: Sequence[float], rho: float | Sequence[float]) -> list[Prior]:
    """A declared prior of relative sd ρ is trusted to four fifths; the rest is wider: 2ρ if ρ ≥ 0.15, else
    max(2.5ρ, 0.15).

    >>> [round(p.sd[0], 3) for p in declared([1.0], 0.05)]
    [0.05, 0.15]
    """
    k = np.asarray(k0, dtype=float)
    narrow = np.broadcast_to(np.asarray(rho, dtype=float), k.shape)
    wide = np.where(narrow >= 0.15, 2 * narrow, np.maximum(2.5 * narrow, 0.15))
    return [
        Prior(tuple(k.tolist()), tuple((width * np.abs(k)).tolist()), share, spare)
        for width, share, spare in ((narrow, NARROW_SHARE, False), (wide, 1 - NARROW_SHARE, True))
    ]


def start(
    k0: Sequence[float],
    rho: float | Sequence[float],
    s_a: float | None = None,
    signs: Sequence[Sequence[float] | float] = (1.0,),
    exact: bool = False,
    priors: Sequence[Prior] = (),
    drag: bool = False,
) -> Belief:
    """The bank before the first round.

    k0: prior of each knob's response; rho: its relative sd, one for all or one a knob; or `priors`, several
    ways in which it may be. s_a [µm] fixes the scatter, else three are held. signs: of each knob, one set a
    hypothesis: (1, −1) where the only knob's sense is unknown. exact: k0 is known (a benchmark's oracle).
    drag: the ratio of drag to preload is held open too.

    >>> start([1.0], 0.05).m.shape
    (6, 2)
    >>> start([0.25, 0.7], (0.2, 0.15), signs=((1, 1), (-1, 1))).m.shape
    (12, 3)
    """
    known = [Prior(tuple(k0), tuple(1e-6 * abs(k) for k in k0))]
    ways = list(priors) or (known if exact else declared(k0, rho))
    scatters = [(s_a, 1.0)] if s_a is not None else list(SCATTER_BANK_UM)
    ratios = [(r, math.exp(-0.5 * (math.log(r) / DRAG_SPREAD) ** 2)) for r in DRAG_RATIOS]
    total = sum(q for _, q in ratios)
    rows = [
        (np.asarray(sign, dtype=float), way, scatter, ratio, way.share * q * d / len(signs))
        for sign in signs
        for way in ways
        for scatter, q in scatters
        for ratio, d in ([(r, q / total) for r, q in ratios] if drag else [(1.0, 1.0)])
    ]
    m = np.array([[0.0, *(np.broadcast_to(sign, len(way.k)) * way.k)] for sign, way, *_ in rows])
    s = np.array([np.diag([FIRST_SD_UM**2, *(sd**2 for sd in way.sd)]) for _, way, *_ in rows])
    return Belief(
        m=m,
        s=s,
        lw=np.log(np.array([p for *_, p in rows])),
        s_a=np.array([scatter for _, _, scatter, *_ in rows]),
        off=np.zeros(len(rows), dtype=np.int64),
        rho_q=np.array([ratio for *_, ratio, _ in rows]),
        spare=np.array([way.spare for _, way, *_ in rows]),
    )


def _gain(b: Belief, x: Sequence[float], r2: float | Floats) -> tuple[Belief, Floats, Floats, Floats]:
    """Splits off wild rounds; returns the doubled bank, S·g, v and the predicted means."""
    g = np.array([1.0, *x])
    bit = 1 << min(b.seen, MOST_TOLD_APART)
    doubled = Belief(
        m=np.concatenate([b.m, b.m]),
        s=np.concatenate([b.s, b.s]),
        lw=np.concatenate([b.lw + math.log(1 - OUTLIER_SHARE), b.lw + math.log(OUTLIER_SHARE)]),
        s_a=np.concatenate([b.s_a, b.s_a]),
        off=np.concatenate([b.off, b.off | bit]),
        rho_q=np.concatenate([b.rho_q, b.rho_q]),
        spare=np.concatenate([b.spare, b.spare]),
        seen=b.seen + 1,
    )
    sg = doubled.s @ g
    v = sg @ g + doubled.s_a**2 + (r2 if isinstance(r2, float) else np.concatenate([r2, r2]))
    v[len(b.lw) :] += OUTLIER_SD_UM**2
    return doubled, sg, v, doubled.m @ g


def _keep(b: Belief) -> Belief:
    most = KEPT_WITH_DRAG if np.ptp(b.rho_q) > 0 else KEPT
    order = np.argsort(-b.lw, kind="stable")[:most]
    return replace(b, lw=b.lw - b.lw[order[0]]).only(order)


def _learn(b: Belief, x: Sequence[float], z: float | Floats, r2: float | Floats) -> Belief:
    """K = Σg/v; m += K i; Σ −= K gᵀΣ; ln w −= ½ ln v + ½ i²/v."""
    d, sg, v, mu = _gain(b, x, r2)
    i = (z if isinstance(z, float) else np.concatenate([z, z])) - mu
    gain = sg / v[:, None]
    return replace(
        d,
        m=d.m + gain * i[:, None],
        s=d.s - gain[:, :, None] * sg[:, None, :],
        lw=d.lw - 0.5 * np.log(v) - 0.5 * i * i / v,
    )


def learn(b: Belief, x: Sequence[float], z: float, r2: float) -> Belief:
    """A plain round: mean reading z [µm from the aim] with reading variance r2 [µm²] at x.

    >>> b = learn(start([1.0], 0.05), [0.0], 100.0, 4.0)
    >>> round(b.predict([0.0])[0])
    100
    """
    return _keep(_learn(b, x, float(z), float(r2)))


def learn_drag(b: Belief, x: Sequence[float], tau: float, aim: float) -> Belief:
    """A drag τ > 0 [nominal µm of preload]: y = −τ/ρ_q − aim, with extra variance (0.05 τ/ρ_q)² + 1.

    >>> b = learn(start([1.0], 0.05, drag=True), [0.0], 150.0, 4.0)
    >>> after = learn_drag(b, [-200.0], 50.0, 0.0)
    >>> -60 < after.predict([-200.0])[0] < -40
    True
    """
    y = tau / b.rho_q
    found = _learn(b, x, -y - aim, (DRAG_SHARE_SD * y) ** 2 + 1.0)
    return _keep(replace(found, lw=found.lw - np.log(found.rho_q)))


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
    lz, e, f = truncated((lo - mu) / s, (hi - mu) / s)
    gain = sg / v[:, None]
    return _keep(
        replace(
            d,
            m=d.m + gain * (e * s)[:, None],
            s=d.s - gain[:, :, None] * sg[:, None, :] * (1 - f)[:, None, None],
            lw=d.lw + lz,
        )
    )


def truncated(alpha: Floats, beta: Floats) -> tuple[Floats, Floats, Floats]:
    """Moments of a standard normal cut to [α, β]: ln Z, its mean e and its variance f.

    >>> lz, e, f = truncated(np.array([-np.inf]), np.array([0.0]))
    >>> [round(float(x[0]), 4) for x in (lz, e, f)]
    [-0.6931, -0.7979, 0.3634]
    """
    lz = _log_between(alpha, beta)
    pa, pb = _density_ratio(alpha, lz), _density_ratio(beta, lz)
    e = pa - pb
    f = 1.0 + _times(alpha, pa) - _times(beta, pb) - e * e
    return lz, e, np.clip(f, 1e-9, 1.0)


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
