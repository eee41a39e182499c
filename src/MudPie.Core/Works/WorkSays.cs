using MudPie.Core.Workings;

namespace MudPie.Core.Works;

/// <summary>What was done at a work in the yard, in words.</summary>
public static class WorkSays
{
    /// <summary>In words and figures.</summary>
    /// <remarks>400 g of kitchen scraps into tray 2: "fed 400 g of kitchen scraps, tray 2".</remarks>
    public static string Done(WorkPoint p)
    {
        var of = p.What is null ? "" : $" of {p.What}";
        var at = p.Tray is null ? "" : $", {p.Tray}";
        return p.Step switch {
            WorkStep.Fed => $"fed {Grams(p.Grams ?? 0)}{of}{at}",
            WorkStep.Bedding => $"{L(p)}{of} laid in{at}",
            WorkStep.Left => p.Share switch {
                0 => "all was gone",
                1 => "nothing was gone",
                { } s => $"{Say.Number(s * 100, 2)} % of it still lay",
                _ => "looked what was gone",
            },
            WorkStep.Damp => p.Damp switch { Damp.Dry => "too dry", Damp.Wet => "wet or muddy", _ => "damp as it should be" },
            WorkStep.Warmth => $"{Say.Number(p.Figure ?? 0)} °C",
            WorkStep.Weighed => $"worms weighed, {Grams(p.Grams ?? 0)}",
            WorkStep.Alarm => "worms climbed out",
            WorkStep.Full => $"full: worms move up{at}",
            WorkStep.Ready => $"judged ready{at}",
            WorkStep.Drained => $"set apart to drain{at}",
            WorkStep.Harvested => $"{L(p)} of castings harvested{at}{(p.BackL is > 0 and { } b ? $", {Say.Number(b)} L sieved back" : "")}",
            WorkStep.Leachate => $"{L(p)} of liquid drawn off, kept apart",
            WorkStep.Lit => "lit from the top",
            WorkStep.Fuelled => $"wood laid on{(p.Litres is null ? "" : $", {L(p)}")}{of}",
            WorkStep.Quenched => $"quenched with {L(p)} of water",
            WorkStep.DugOver => $"dug over and doused again{(p.Litres is null ? "" : $", {L(p)}")}",
            WorkStep.Felt => $"felt for heat: {p.Heat?.Word() ?? "cold"}",
            WorkStep.Measured => $"{L(p)} of char{(p.Figure is { } d ? $", {Say.Number(d)} kg a litre dry" : "")}",
            WorkStep.Carried => $"{L(p)} of char went to {p.What}",
            WorkStep.Sampled => "sampled",
            WorkStep.Sent => "sent to the lab",
            WorkStep.Result => p.What is { } says ? $"the result came: {says}" : "the result came",
            WorkStep.Run => $"{Grams(p.Grams ?? 0)}{of}{Ran(p)}",
            WorkStep.Pooled => $"{Say.Count(p.Runs?.Count ?? 0, "run")} pooled to {L(p)}",
            WorkStep.Corrected => $"corrected by the sheet: {p.What ?? "nothing"}",
            WorkStep.Hung => $"hung in the sun{Many(p)}",
            WorkStep.Buried => $"buried{Many(p)}",
            WorkStep.Lifted => $"lifted{Many(p)}{(p.Grams is { } g ? $", {Grams(g)}" : "")}{Looks(p)}",
            WorkStep.Pressed => $"in its bottle, {L(p)}",
            WorkStep.Stirred => Stirred(p),
            WorkStep.Given => $"{(p.Grams is { } g ? Grams(g) : L(p))} went into {p.What}",
            _ => "seen",
        };
    }

    private static string Stirred(WorkPoint p) => string.Concat(p.Grams is { } g ? Grams(g) : L(p), " stirred",
        p.Figure is { } water ? $" into {Say.Number(water)} L of water" : "", p.Hours is { } h ? $", {Say.Hours(h)}" : "");

    private static string Many(WorkPoint p) => p.Count is { } n ? $", {n}" : "";

    private static string Looks(WorkPoint p) => string.Concat(new[] { p.Colour, p.Smell, p.Texture }.Where(w => w is not null)
        .Select(w => $", {w}"));

    private static string Ran(WorkPoint p) => string.Concat(
        p.Setting is null ? "" : $", setting {p.Setting}", p.Hours is { } h ? $", {Say.Hours(h)}" : "",
        p.Litres is { } water ? $", {Say.Number(water)} L of water" : "", p.StarterG is { } g ? $", {Grams(g)} of starter" : "");

    private static string L(WorkPoint p) => $"{Say.Number(p.Litres ?? 0)} L";

    private static string Grams(double g) => g >= 1000 ? $"{Say.Number(g / 1000)} kg" : $"{Say.Number(g)} g";
}
