namespace MudPie.Core.Measures;

/// <summary>A strip for chlorine in water.</summary>
public static class ChlorineStrip
{
    /// <summary>Highest figure at which a strip is to be trusted, mg/L as Cl₂: read it again above, in water thinned one to nine.</summary>
    public const double Highest = 10;
}
