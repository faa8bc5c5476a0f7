"""The gas model's equations (docs/gas-model.md) written again for SciPy, as a check of the integrator and as the bench's
yardstick. Reads {"athlete", "segments", "rtol", "repeat"} and writes every hold's figures and the seconds it took."""
import json
import math
import sys
import time

from scipy.integrate import solve_ivp


class Model:
    def __init__(self, athlete, rtol):
        h, age, mass = athlete["height_cm"] / 100, max(athlete["age"], 25), athlete["mass_kg"]
        if athlete["sex"] == "male":
            self.tlc, self.rv, frc = 7.99 * h - 7.08, 1.31 * h + 0.022 * age - 1.23, 2.34 * h + 0.009 * age - 1.09
        else:
            self.tlc, self.rv, frc = 6.60 * h - 5.79, 1.81 * h + 0.016 * age - 2.00, 2.24 * h + 0.001 * age - 1.00
        self.frc = max(0.75 * frc, self.rv + 0.1) if athlete.get("posture") == "lying" else frc
        self.dry = athlete.get("barometric_mmhg", 760) - 47
        self.k = 310.15 / 273.15 * 760 / self.dry
        self.c = 1.34 * (150 if athlete["sex"] == "male" else 135) / 1000
        self.vo2, self.q0, self.vd, self.vv = 0.0035 * mass, 0.07 * mass, 0.0022 * mass, 0.05 * mass
        self.kf, self.ks, self.r, self.f = 0.35e-3 * mass, 1.2e-3 * mass, 0.82, 0.75
        self.thrift, self.rtol = athlete.get("thrift", 1.0), rtol
        self.start()

    def level(self, name):
        if name == "residual":
            return self.rv + 0.05 * (self.frc - self.rv)
        share = {"passive": 0, "easy": 0.2, "big": 0.6, "full": 0.95}.get(name, name)
        return self.frc + share * (self.tlc - self.frc)

    def sat(self, po2, pco2):
        ph = 6.1 + math.log10((24.4 + 0.1 * (pco2 - 40)) / (0.0307 * pco2))
        x = po2 * 10 ** (0.48 * (ph - 7.4))
        return 1 / (23400 / (x**3 + 150 * x) + 1)

    @staticmethod
    def content(p, s):
        return 0.480 * (p / 40) ** 0.35 + 0.053 * (0.975 - s)

    def start(self):
        po2 = 0.2093 * self.dry - 40 * (0.2093 + 0.7907 / self.r)
        s = self.sat(po2, 40)
        cv = self.c * s + 0.00003 * po2 - self.vo2 / self.q0
        want = self.content(40, s) + self.r * self.vo2 / self.q0
        p = 40 * ((want - 0.053 * (0.975 - cv / self.c)) / 0.480) ** (1 / 0.35)
        o2, co2 = po2 / self.dry * self.frc, 40 / self.dry * self.frc
        self.y, self.m, self.t = [o2, co2, self.frc - o2 - co2, cv, p, p], 1.0, 0.0
        self.dead = [g / self.frc * self.vd for g in self.y[:3]]
        self.drive, self.last = 40.0, None

    def pressures(self, y=None):
        y = self.y if y is None else y
        v = y[0] + y[1] + y[2]
        return y[0] / v * self.dry, y[1] / v * self.dry

    def rates(self, t, y, rate, air, thrift, m0, target):
        o2, co2, n2, cv, pf, ps = y
        v = o2 + co2 + n2
        po2, pco2 = o2 / v * self.dry, co2 / v * self.dry
        s, sv = self.sat(po2, pco2), min(max(cv / self.c, 0), 1)
        m = target + (m0 - target) * math.exp(-t * 60 / 30)
        q = self.q0 + 5.5 * max(0, self.vo2 * (m - 1))
        use = self.vo2 * m * thrift
        a = self.content(pco2, s)
        uptake = q * (self.c * s + 0.00003 * po2 - cv)
        df, ds = q * (self.content(pf, sv) - a), q * (self.content(ps, sv) - a)
        out = self.f * df + (1 - self.f) * ds
        d = [-uptake * self.k, out * self.k, 0.0, (uptake - use) / self.vv,
             self.f * (self.r * use - df) / self.kf, (1 - self.f) * (self.r * use - ds) / self.ks]
        if rate is not None:
            flow = rate - d[0] - d[1]
            gas = air if flow > 0 else [g / v for g in (o2, co2, n2)]
            d[0], d[1], d[2] = d[0] + flow * gas[0], d[1] + flow * gas[1], d[2] + flow * gas[2]
        return d

    def piece(self, seconds, rate, air, thrift, target, events=None):
        solved = solve_ivp(self.rates, (0, seconds / 60), self.y, method="LSODA", rtol=self.rtol, atol=1e-9,
                           args=(rate, air, thrift, self.m, target), events=events)
        if events is None:
            self.y = list(solved.y[:, -1])
            self.m = target + (self.m - target) * math.exp(-seconds / 30)
            self.t += seconds
        return solved

    def move(self, seconds, litres, target=1.0):
        before = sum(self.y[:3])
        rate = (litres - before) / seconds * 60
        left = seconds
        held = sum(self.dead)
        if held > 1e-4:
            d = self.rates(0, self.y, None, None, 1, self.m, target)
            flow = rate - d[0] - d[1]
            taken = min(held / flow * 60, seconds) if flow > 0 else 0
            if taken > 0:
                self.piece(taken, rate, [g / held for g in self.dead], 1, target)
                self.dead = [0, 0, 0] if taken < seconds else [g * max(0, 1 - flow * taken / 60 / held) for g in self.dead]
            left -= taken
        if left > 1e-9:
            self.piece(left, rate, [0.2093, 0, 0.7907], 1, target)
        if rate < 0:
            fresh, held = min(-rate * seconds / 60, self.vd), sum(self.dead)
            keep = min(self.vd - fresh, held) / held if held else 0
            v = sum(self.y[:3])
            self.dead = [d * keep + g / v * fresh for d, g in zip(self.dead, self.y)]

    def breathe(self, seconds, rate, target=1.0):
        n = max(math.floor(seconds * rate / 60 + 0.5), 1)
        cycle = seconds / n
        for _ in range(n):
            if self.last is not None:
                self.drive += (self.pressures()[1] - self.drive) * (1 - math.exp(-(self.t - self.last) / 20))
            self.last = self.t
            v0 = 863 * self.vo2 * self.r * self.m / 40
            alveolar = max(0.3 * v0, v0 + 2.0 * (self.drive - 40))
            depth = min(alveolar / (60 / cycle) + self.vd, 0.8 * (self.tlc - self.frc))
            self.move(0.4 * cycle, self.frc + depth, target)
            self.move(0.6 * cycle, self.frc, target)

    def stimulus(self, y):
        po2, pco2 = self.pressures(y)
        return pco2 + 0.1 * max(0, 100 - po2)

    def hold(self, seconds, threshold, floor, target=1.0):
        start = self.pressures()
        args = (None, None, self.thrift, target)
        urge = lambda t, y, *_: self.stimulus(y) - threshold
        low = lambda t, y, *_: self.sat(*self.pressures(y)) - floor
        stop = lambda t, y, *_: self.pressures(y)[0] - 5
        stop.terminal = True
        ahead = self.piece(600, *args, events=[urge, low, stop])
        first = lambda times: float(times[0]) * 60 if len(times) else None
        self.piece(seconds, *args)
        end = self.pressures()
        return {"po2_start": start[0], "pco2_start": start[1], "po2_end": end[0], "pco2_end": end[1],
                "urge_s": first(ahead.t_events[0]), "floor_s": first(ahead.t_events[1])}

    def run(self, segments, threshold, floor):
        holds = []
        for s in segments:
            target = s.get("mets", 1.0)
            if s["kind"] == "hold":
                holds.append(self.hold(s["seconds"], threshold, floor, target))
            elif s["kind"] == "breathe":
                self.breathe(s["seconds"], s["rate"], target)
            else:
                self.move(s["seconds"], self.level(s.get("depth", s["to"])), target)
        return holds


asked = json.load(sys.stdin)
model = Model(asked["athlete"], asked.get("rtol", 1e-8))
model.breathe(900, 12)
model.last, model.t = model.last - 900, 0.0
began = time.process_time()
found = model.run(asked["segments"], asked["threshold"], asked.get("floor_sao2", 0.85))
json.dump({"holds": found, "seconds": time.process_time() - began}, sys.stdout)
