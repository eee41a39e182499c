namespace MudPie.Server.Book;

/// <summary>A line of the book as a file. Times are UTC; amounts are litres and kilograms; empty where it does not apply. See
/// docs/formats/book.md.</summary>
public sealed record BookRow
{
    /// <summary>"bed", "sprayer", "input", "lot", "stock", "job", "job-bed", "job-item", "wash", "harvest" or "seen".</summary>
    public string kind { get; init; } = "";

    /// <summary>"job-3": the entry that the line belongs to.</summary>
    public string entry { get; init; } = "";

    public string at { get; init; } = "";

    public string recorded_at { get; init; } = "";

    public string bed { get; init; } = "";

    public string area_m2 { get; init; } = "";

    public string crop { get; init; } = "";

    public string what { get; init; } = "";

    public string what_kind { get; init; } = "";

    public string lot { get; init; } = "";

    public string amount { get; init; } = "";

    public string unit { get; init; } = "";

    public string brew_l { get; init; } = "";

    public string water_l { get; init; } = "";

    public string total_l { get; init; } = "";

    public string spare_l { get; init; } = "";

    public string purpose { get; init; } = "";

    public string dilution { get; init; } = "";

    public string tool { get; init; } = "";

    public string tank_l { get; init; } = "";

    public string gate { get; init; } = "";

    public string who { get; init; } = "";

    public string why { get; init; } = "";

    public string weather { get; init; } = "";

    public string food_waiting { get; init; } = "";

    public string override_why { get; init; } = "";

    public string mix_why { get; init; } = "";

    public string cautions { get; init; } = "";

    public string corrects { get; init; } = "";

    public string correction_why { get; init; } = "";

    public string struck { get; init; } = "";

    public string expires { get; init; } = "";

    public string place { get; init; } = "";

    public string kept_c { get; init; } = "";

    public string paid { get; init; } = "";

    public string minutes { get; init; } = "";

    public string note { get; init; } = "";
}
