using MudPie.Core.PuttingOut;

namespace MudPie.Core.Tests.PuttingOut;

/// <summary>All pairs of the house, as they were last read through: a pair that changes is changed here too, by hand, or not at
/// all.</summary>
public sealed class MixTableTests
{
    /// <summary>"brew copper never 10" a line; "gas" behind it where it gives off gas or dangerous heat.</summary>
    [Fact]
    public void Every_pair_stands_as_it_was_read_through() =>
        string.Join('\n', MixingRules.House.Select(Line).Order(StringComparer.Ordinal))
            .ShouldBe(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "Reference", "mix-table.txt")).Trim());

    [Fact]
    public void Every_pair_of_kinds_stands_once_and_what_lives_is_known()
    {
        MixingRules.House.Count.ShouldBe(MixingRules.Classes.Count * (MixingRules.Classes.Count + 1) / 2);
        MixingRules.Classes.Where(c => c.Alive).Select(c => c.Id).ShouldBe(["brew", "living", "spores", "mycorrhiza", "trichoderma"]);
    }

    private static string Line(MixRule r)
    {
        var (a, b) = string.CompareOrdinal(r.A, r.B) <= 0 ? (r.A, r.B) : (r.B, r.A);
        return FormattableString.Invariant($"{a} {b} {r.Says} {r.WaitDays}{(r.Gas ? " gas" : "")}");
    }
}
