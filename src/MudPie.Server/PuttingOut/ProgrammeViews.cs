using MudPie.Core.Ground;
using MudPie.Core.Measures;
using MudPie.Core.PuttingOut;
using MudPie.Core.Workings;
using MudPie.Records.Season;

namespace MudPie.Server.PuttingOut;

/// <summary>A giving with how it looks.</summary>
public sealed record GivingView
{
    public required int Id { get; init; }

    public required Guid Version { get; init; }

    public required string Kind { get; init; }

    public required string Name { get; init; }

    public required DateOnly On { get; init; }

    public required Purpose Purpose { get; init; }

    public required string Thinned { get; init; }

    public required string Stage { get; init; }

    public required string Fit { get; init; }

    public required string Says { get; init; }

    public required string AmountShown { get; init; }

    public required string AmountInTools { get; init; }

    public required string Hour { get; init; }

    public required bool Done { get; init; }

    public required int? InputId { get; init; }

    public required string Whose { get; init; }

    public required string TankRate { get; init; }

    public required string TankBasis { get; init; }
}

/// <summary>A programme with what it misses.</summary>
public sealed record ProgrammeView(
    int Id, int BedId, string Bed, string Crop, string AreaShown, DateOnly Start, DateOnly Harvest, IReadOnlyList<StageDates> Stages,
    IReadOnlyList<GivingView> Givings, IReadOnlyList<string> Misses,
    IReadOnlyList<string> Needs, string PotassiumShown, Worked<ProgrammeAnswer> Worked, string Calendar, bool Dated);

/// <summary>A kind of biostimulant in words.</summary>
public sealed record BiostimulantView(string Kind, string Name, string Leaf, string Root, string PerHa, string Every, string Hour,
    string Brings, Evidence Sure, IReadOnlyList<StageFit> Stages);

/// <summary>Programmes and what is known of the kinds.</summary>
public sealed record ProgrammesView(IReadOnlyList<ProgrammeView> Programmes, IReadOnlyList<BiostimulantView> Kinds, double MixLPerHa,
    int? SprayerId);

/// <summary>A season's programme as its page shows it.</summary>
internal static class ProgrammeViews
{
    /// <summary>What is known of a kind, in the holding's units.</summary>
    public static BiostimulantView Kind(Biostimulant k, UnitSystem units)
    {
        string Range((double From, double To) r, string unit = "") => $"{Say.Number(r.From)} to {Say.Number(r.To)}{unit}";
        return new(k.Kind, k.Name, $"1 in {Range(k.LeafOneIn)}", $"1 in {Range(k.RootOneIn)}",
            $"{Units.Show(Per.Large(k.LPerHa.From, units), Dimension.Volume, units)} to {Per.Large(k.LPerHa.To, Dimension.Volume, units)}",
            Range(k.EveryDays, " days"), k.Hour,
            $"about {Say.Number(k.PotassiumShare * 100)} % K₂O, pH {Say.Number(k.Ph)} "
                + $"neat{(k.Ph >= 9.5 ? ": thin it well, or neutralise it" : "")}", k.Sure, k.Stages);
    }

    /// <summary>A season with what each giving comes to and what it misses.</summary>
    public static ProgrammeView Of(Programme p, UnitSystem units, Dosing dosing)
    {
        // What another version laid, and this one does not know, takes the season's page not down: it is said, and can be laid anew.
        var unread = p.Givings.Where(g => Biostimulants.Find(g.Kind) is null).ToList();
        p.Givings.RemoveAll(unread.Contains);
        var worked = Biostimulants.Check(new ProgrammeQuestion {
            Start = p.Start,
            Harvest = p.Harvest,
            AreaM2 = p.Bed.AreaM2,
            Crop = p.Bed.Crop,
            Dated = p.Stages,
            MixLPerHa = dosing.MixLPerHa,
            Labels = dosing.Labels,
            Steps = [.. p.Givings.Select(g => new ProgrammeStep { Kind = g.Kind, On = g.On, Purpose = g.Purpose, OneIn = g.OneIn })],
        }).Worked;
        var looks = worked.Value.Steps.ToList();
        var order = p.Givings.OrderBy(g => g.On).ToList(); // as the core orders them
        var givings = p.Givings.OrderBy(g => g.On).ThenBy(g => g.Id).Select(g =>
        {
            var look = looks[order.IndexOf(g)];
            return new GivingView {
                Id = g.Id,
                Version = g.Version,
                Kind = g.Kind,
                Name = look.Name,
                On = g.On,
                Purpose = g.Purpose,
                Thinned = $"1 in {Say.Number(look.OneIn)}",
                Stage = look.Stage,
                Fit = look.Fit,
                Says = look.Says,
                AmountShown = Units.Show(look.ProductL, Dimension.Volume, units),
                AmountInTools = Spoons.InTools(new Litres(look.ProductL), units).WithError,
                Hour = look.Hour,
                Done = g.ApplicationId is not null,
                InputId = g.InputId ?? (dosing.Shelf.TryGetValue(g.Kind, out var on) ? on.InputId : null),
                Whose = look.Dose.Whose,
                TankRate = look.Dose.Tank(units).Rate,
                TankBasis = look.Dose.Tank(units).Basis,
            };
        });
        return new(p.Id, p.BedId, p.Bed.Name, p.Bed.Crop, Units.Show(p.Bed.AreaM2, Dimension.Area, units), p.Start, p.Harvest,
            worked.Value.Stages, [.. givings],
            [.. unread.Select(g => $"A giving of “{g.Kind}” on {Say.Day(g.On)} can’t be read here: lay it anew."), .. worked.Value.Misses],
            [.. worked.Value.Needs.Select(n => $"{Units.Show(n.Value, Dimension.Volume, units)} of {n.Key}")],
            $"{Say.Number(worked.Value.PotassiumG)} g of K₂O", worked, CropCalendars.Of(p.Bed.Crop).Name, p.Stages is not null);
    }
}
