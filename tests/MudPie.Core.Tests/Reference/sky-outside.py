"""Figures of the sky from an independent ephemeris (PyEphem 4.1, VSOP87 and ELP truncated; Debian: python3-ephem).

/usr/bin/python3 sky-outside.py > sky-outside.json

seasons, quarters: seconds since 1970, UTC. sun: rise and set, upper limb, refraction 34', by an observer at sea level.
turns: days on which the moon's declination turns, with the hour; apsides: hours of its nearness. constellations: of the ecliptic, by degree of J2000.
"""
import json
import math

import ephem

UNIX = ephem.Date("1970/1/1 00:00:00")


def seconds(date):
    return round((date - UNIX) * 86400)


seasons, quarters = {}, []
for year in range(1990, 2051):
    d = ephem.Date(f"{year}/1/1")
    e1 = ephem.next_vernal_equinox(d)
    s1 = ephem.next_summer_solstice(d)
    e2 = ephem.next_autumn_equinox(d)
    s2 = ephem.next_winter_solstice(d)
    seasons[year] = [seconds(x) for x in (e1, s1, e2, s2)]

for name, following in (
    ("new", ephem.next_new_moon),
    ("firstQuarter", ephem.next_first_quarter_moon),
    ("full", ephem.next_full_moon),
    ("lastQuarter", ephem.next_last_quarter_moon),
):
    d, found = ephem.Date("1990/1/1"), []
    while True:
        d = following(d)
        if d >= ephem.Date("2051/1/1"):
            break
        found.append(seconds(d))
        d = ephem.Date(d + 1)
    quarters.append({"phase": name, "at": found})

sun = []
for year in range(1990, 2051, 5):
    for lat, lon in ((52.5, 0), (-34.6, 138.9), (-45.9, 170.5), (35.7, -105.9), (1.3, 36.8), (60.4, 25.1), (-53.2, -70.9)):
        for month, day in ((1, 17), (4, 3), (7, 9), (10, 28)):
            o = ephem.Observer()
            o.lat, o.lon, o.pressure, o.horizon, o.elevation = str(lat), str(lon), 0, "-0:34", 0
            o.date = f"{year}/{month}/{day} 00:00:00"
            s = ephem.Sun()
            sun.append([lat, lon, seconds(o.date), seconds(o.next_rising(s)), seconds(o.next_setting(s))])


def moon(date):
    m = ephem.Moon()
    m.compute(date, epoch=date)
    return m


def extremes(of, start, end):
    step, found = 0.25, []
    d = ephem.Date(start)
    while d < ephem.Date(end):
        a, b, c = of(d), of(d + step), of(d + 2 * step)
        if (b > a and b >= c) or (b < a and b <= c):
            up = b > a
            lo, hi = d, d + 2 * step
            while hi - lo > 1e-4:
                x, y = lo + (hi - lo) / 3, hi - (hi - lo) / 3
                if (of(x) < of(y)) == up:
                    lo = x
                else:
                    hi = y
            found.append([seconds(lo), up])
        d = ephem.Date(d + step)
    return found


turns, apsides = [], []
for year in (1990, 2006, 2026, 2027, 2050):
    turns += extremes(lambda d: moon(ephem.Date(d)).g_dec, f"{year}/1/1", f"{year}/12/31")
    apsides += extremes(lambda d: moon(ephem.Date(d)).earth_distance, f"{year}/1/1", f"{year}/12/31")

places = []
for year in range(1990, 2051, 3):
    for month in (2, 7, 11):
        m = moon(ephem.Date(f"{year}/{month}/9 05:00:00"))
        e = ephem.Ecliptic(ephem.Equatorial(m.g_ra, m.g_dec, epoch=ephem.Date(f"{year}/{month}/9 05:00:00")))
        places.append([seconds(ephem.Date(f"{year}/{month}/9 05:00:00")), round(math.degrees(e.lon), 4), round(math.degrees(e.lat), 4),
                       round(m.earth_distance * 149597870.7), round(math.degrees(m.g_dec), 4)])


def stands(degrees):
    eq = ephem.Equatorial(ephem.Ecliptic(ephem.degrees(math.radians(degrees)), ephem.degrees(0), epoch=ephem.J2000))
    return ephem.constellation((eq.ra, eq.dec))[0]


constellations = []
for tenth in range(3600):
    lo, hi = tenth / 10, (tenth + 1) / 10
    if stands(lo) != stands(hi):
        while hi - lo > 0.001:
            middle = (lo + hi) / 2
            lo, hi = (middle, hi) if stands(middle) == stands(lo) else (lo, middle)
        constellations.append([round(hi, 3), stands(hi)])

print(json.dumps({"madeBy": "PyEphem " + ephem.__version__ + ", by sky-outside.py", "seasons": seasons, "quarters": quarters, "sun": sun,
                  "turns": turns, "apsides": apsides, "places": places, "constellations": constellations}))
