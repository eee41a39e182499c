using MudPie.Core.Looking;
using MudPie.Records.Brewing;
using MudPie.Records.Ground;
using MudPie.Records.Looking;

namespace MudPie.Records.Demo;

/// <summary>The demo's zones and pegs, looked at each April and October of two years, with drawn pictures.</summary>
internal static class DemoLooking
{
    public static void Fill(HoldingDb db, DemoKit kit, DateTimeOffset now)
    {
        var (creek, ridge) = (kit.Named("Creek Field")[0], kit.Named("Ridge Bed 4")[0]);
        var poor = Zone(db, creek, "low corner", Texture.ClayLoam, (0, 0), (0.45, 0), (0.38, 0.55), (0, 0.6));
        var good = Zone(db, creek, "ridge end", Texture.ClayLoam, (0.5, 0.35), (1, 0.4), (1, 1), (0.4, 1));
        db.SaveChanges();
        var low = Peg(db, creek, "the low corner", poor.Id, (0.2, 0.24), "31 paces from the gate post, toward the lone thorn");
        var end = Peg(db, creek, "ridge end", good.Id, (0.78, 0.74), "12 paces in from the stile, in line with the barn");
        var bed = Peg(db, ridge, "the middle", null, (0.5, 0.5), "15 paces along, left of the drip line");
        var currant = Peg(db, kit.Named("Currant Rows")[0], "third row", null, (0.35, 0.5), "between bush 9 and bush 10");
        var hops = Peg(db, kit.Named("Hop Yard")[0], "by hill 40", null, (0.6, 0.4), "two paces east of hill 40");
        db.SaveChanges();
        (low.Differs, end.Differs, end.BesideId) = ("lies wet", "lies dry", low.Id);
        List<DateTimeOffset> visits = [.. Enumerable.Range(0, 30).Select(i => now.AddMonths(-i)).Where(d => d.Month is 4 or 10)
            .Select(d => new DateTimeOffset(d.Year, d.Month, d.Month == 4 ? 9 : 14, 8, 20, 0, TimeSpan.Zero))
                .Where(d => d < now.AddDays(-1))
            .Take(4).Reverse()];
        for (var i = 0; i < visits.Count; i++)
        {
            Visit(db, new Seen(low, visits[i], i + 4 - visits.Count), full: true);
            Visit(db, new Seen(end, visits[i].AddMinutes(35), i + 5 - visits.Count), full: false);
            Visit(db, new Seen(bed, visits[i].AddMinutes(80), i + 5 - visits.Count), full: false);
            Visit(db, new Seen(currant, visits[i].AddMinutes(110), i + 3 - visits.Count), full: false);
            Two(db, hops, visits[i].AddMinutes(140), i);
            foreach (var (peg, j) in new[] { low, end, bed, currant, hops }.Select((p, j) => (p, j)))
            {
                Picture(db, peg, visits[i].AddMinutes(j * 30), i, j);
            }
        }

        db.Walks.Add(new Walk {
            Name = "spring and autumn round", HungOn = "when the moisture is probed before sowing",
            Plan = new WalkPlan {
                Kinds = [CheckKind.Rod, CheckKind.Block, CheckKind.Worms, CheckKind.Crumbs, CheckKind.Roots],
                Pegs = [low.Id, end.Id, bed.Id, currant.Id, hops.Id], Months = [4, 10]
            }
        });
        db.SaveChanges();
    }

    private static Zone Zone(HoldingDb db, Bed bed, string name, Texture texture, params (double X, double Y)[] corners) => db.Zones.Add(
        new Zone {
            BedId = bed.Id, Name = name, Texture = texture,
            Shape = new Core.Ground.ZoneShape { Outline = [.. corners.Select(c => new Core.Ground.PlanPoint(c.X, c.Y))] }
        }).Entity;

    private static Peg Peg(HoldingDb db, Bed bed, string name, int? zone, (double East, double North) at, string paces) => db.Pegs.Add(
        new Peg { BedId = bed.Id, Name = name, ZoneId = zone, MarkEast = at.East, MarkNorth = at.North, Paces = paces }).Entity;

    /// <summary>How far a peg had come: 0 as it was at first, each visit a step better.</summary>
    private sealed record Seen(Peg Peg, DateTimeOffset At, int Better);

    private static void Visit(HoldingDb db, Seen s, bool full)
    {
        var b = Math.Clamp(s.Better, 0, 4);
        if (full)
        {
            Keep(db, s, new CheckAsked { Kind = CheckKind.Rod, Pushes = Pushes(b, 10), Wheelings = Wheels(3) });
        }

        Keep(db, s, Block(b));
        Keep(db, s, new CheckAsked { Kind = CheckKind.Worms, SoilC = 11, Counts = Worms[b] });
        Keep(db, s, new CheckAsked { Kind = CheckKind.Crumbs, Classes = Crumbs[b] });
        Keep(db, s, new CheckAsked {
            Kind = CheckKind.Roots, Plants = 12, Turned = Math.Max(0, 6 - b), TurnedAtCm = 20, DeepestCm = [.. Enumerable.Range(0, 6)
                .Select(i => 16.0 + (b * 3) + (i * 7 % 5))], Sheathed = b > 2 ? Sheathed.Most : b > 0 ? Sheathed.Some : Sheathed.None
        });
        if (full && s.At.Month == 4)
        {
            Keep(db, s, new CheckAsked { Kind = CheckKind.Nodules, Plants = 10, Nodules = 60 + (b * 40), Cut = 12, Pink = 4 + b });
        }
    }

    private static void Two(HoldingDb db, Peg peg, DateTimeOffset at, int i)
    {
        Keep(db, new Seen(peg, at, i), new CheckAsked { Kind = CheckKind.Worms, SoilC = 12, Counts = [5 + i, 7, 6] });
        Keep(db, new Seen(peg, at, i), Block(2));
    }

    private static readonly int[][] Worms = [[3, 5, 5], [7, 8, 7], [8, 10, 9], [11, 12, 11], [14, 13, 15]];

    private static readonly int[][] Crumbs = [
        [1, 2, 2, 2, 4, 5, 3, 4], [2, 2, 3, 4, 4, 5, 3, 4], [3, 3, 4, 4, 5, 5, 3, 4], [3, 3, 4, 4, 5, 5, 4, 6], [4, 5, 5, 5, 6, 5, 4, 6],
    ];

    private static CheckAsked Block(int b) => new() {
        Kind = CheckKind.Block, Layers = [
            new LayerAsked { ToCm = 7, Score = b > 1 ? 1 : 2, Says = b > 1 ? "crumbs, dark" : "small blocks, dark", Threads = b > 2,
                Smell = b > 0 ? GroundSmell.Earthy : GroundSmell.Sour },
            new LayerAsked { ToCm = 17, Score = b > 2 ? 2 : 3, Says = "small blocks" },
            new LayerAsked { ToCm = 23, Score = b > 2 ? 4 : 5, Says = "plates: a pan" },
            new LayerAsked { ToCm = 45, Score = b > 3 ? 2.5 : 3.4, Says = "blocks, rust along cracks", Mottled = b < 4 },
        ],
    };

    /// <summary>A pan at 20 cm that softens from visit to visit; each push strays by what it would.</summary>
    private static List<IReadOnlyList<double?>> Pushes(int better, int count)
    {
        double[] line = [0.4, 0.7, 1.2, 2.9, 2.4, 1.9, 1.7, 1.8, 1.8];
        return [.. Enumerable.Range(0, count).Select(p => (IReadOnlyList<double?>)[.. line.Select((mpa, i) => (double?)Math.Round(
            (i is 3 or 4 or 5 ? mpa - (0.22 * better) : mpa - (0.05 * better)) + ((((p * 7) + (i * 3)) % 9) - 4) * 0.06, 1))])];
    }

    private static List<IReadOnlyList<double?>> Wheels(int count)
    {
        double[] line = [1.1, 1.9, 2.6, 3.2, 2.8, 2.2, 1.9, 1.9, 1.9];
        return [.. Enumerable.Range(0, count).Select(p => (IReadOnlyList<double?>)[.. line.Select(mpa => (double?)Math.Round(mpa + ((p - 1)
            * 0.1), 1))])];
    }

    private static void Keep(HoldingDb db, Seen s, CheckAsked asked)
    {
        var read = CheckReading.Of(asked).Value;
        db.GroundChecks.Add(new GroundCheck {
            PegId = s.Peg.Id, At = s.At, RecordedAt = s.At, Kind = asked.Kind!.Value, Asked = asked, Figure = read.Figure,
            Lower = read.Lower, Upper = read.Upper, Life = read.Life, Shown = read.Shown, Wet = Wetness.Moist, RainHours = 31, RainMm = 12,
            Who = s.At.Month == 4 ? "the field hand" : "the brewer"
        });
    }

    private static void Picture(HoldingDb db, Peg peg, DateTimeOffset at, int visit, int of)
    {
        var (jpeg, small) = DrawnPicture.Of(of, visit, at.Month == 4);
        var photo = db.Photos.Add(new Photo { Jpeg = jpeg, Small = small }).Entity;
        db.SaveChanges();
        db.PegPhotos.Add(new PegPhoto {
            PegId = peg.Id, PhotoId = photo.Id, At = at, RecordedAt = at, Toward = of == 0 ? "to the lone thorn" : "north", HeightM = 1.5,
            Drawn = true
        });
    }
}
