using Microsoft.Data.Sqlite;

namespace MudPie.Records;

/// <summary>A file of the last version before the first release: it is brought to the shape in which releases begin, with nothing
/// lost.</summary>
/// <remarks>Seven steps had made that shape; releases begin with one. What was kept as bare JSON goes into named, versioned forms, and
/// lists that were read by position get names.</remarks>
internal static class FirstFile
{
    /// <summary>The last of those steps, in the file's own history.</summary>
    private const string Last = "20261126162922_Sturdy";

    private static readonly (string Table, string Was, string Column, string Form)[] Kept =
    [
        ("Batches", "BrewJson", "Brew", "brew"), ("Batches", "StepsJson", "Steps", "steps"), ("Batches", "RaceJson", "Race", "race-kit"),
        ("Batches", "LearntJson", "Learnt", "learnt"),
        ("Tallies", "TallyJson", "Tally", "tally"), ("RecipeVersions", "Json", "File", "recipe"),
        ("Vessels", "AirJson", "Air", "air-bench"), ("SourceChecks", "AnswersJson", "Answers", "source-answers"),
        ("Inputs", "SpeciesJson", "Species", "label-species"), ("Inputs", "LabelRatesJson", "LabelRates", "label-rates"),
        ("Applications", "AskedJson", "Asked", "job"),
        ("Calibrations", "MeasuredJson", "Measured", "sprayer-measured"), ("Programmes", "StagesJson", "Stages", "stages"),
        ("Trials", "FactorsJson", "Factors", "names"),
        ("Trials", "MoneyJson", "Money", "trial-money"), ("Trials", "PlacesJson", "Places", "places"),
        ("TrialTreatment", "LevelsJson", "Levels", "levels"), ("PatchLeaves", "AsReadJson", "Read", "leaves"),
    ];

    private static readonly (string Table, string Column)[] ByWord = [("Batches", "State"), ("Log", "Kind"), ("Holdings", "Units"),
        ("Beds", "Eaten"), ("Notices", "Tone")];

    /// <summary>True where such a step stands in a file's history; what it has of others is older still.</summary>
    public static bool Knows(string step) => string.CompareOrdinal(step, Last) <= 0;

    /// <summary>True where a file stands at the last of them.</summary>
    public static bool Stands(IReadOnlyList<string> applied) => applied is [.., Last];

    /// <summary>Brings such a file to the first release's shape; whoever calls has copied it. Another file is left as it is.</summary>
    public static void BringUp(string path, string first)
    {
        using var file = HoldingFile.Connect(path, SqliteOpenMode.ReadWrite);
        if (Ask(file, $"SELECT count(*) FROM __EFMigrationsHistory WHERE MigrationId = '{Last}'") is 0L)
        {
            return;
        }

        // What is read by another's names goes first: after this, those have forms of their own.
        HoldingFile.Run(file, $"""
            BEGIN IMMEDIATE;
            UPDATE Batches SET LearntJson = (SELECT json_group_object(n.value, l.value)
                FROM json_each('["{string.Join("\",\"", Core.Brewing.Multipliers.Ids)}"]') n
                JOIN json_each(LearntJson) l ON l.key = n.key)
                WHERE LearntJson IS NOT NULL;
            UPDATE TrialTreatment SET LevelsJson = (SELECT json_group_array(json_object('factor', f.value, 'level', l.value))
                FROM Trials t, json_each(t.FactorsJson) f JOIN json_each(LevelsJson) l ON l.key = f.key
                WHERE t.Id = TrialId);
            UPDATE PatchLeaves SET AsReadJson = (SELECT json_group_array(json_object('asRead', a.value, 'at20', b.value))
                FROM json_each(AsReadJson) a JOIN json_each(At20Json) b ON a.key = b.key);
            ALTER TABLE PatchLeaves DROP COLUMN At20Json;
            UPDATE Acknowledgements SET Sent = '' WHERE Sent IS NULL;
            {string.Join('\n', Kept.Select(k =>
                $"UPDATE \"{k.Table}\" SET \"{k.Was}\" = json_object('form', '{k.Form}', 'version', 1, 'is', json(\"{k.Was}\"))"
                + $" WHERE \"{k.Was}\" IS NOT NULL; ALTER TABLE \"{k.Table}\" RENAME COLUMN \"{k.Was}\" TO \"{k.Column}\";"))}
            {string.Join('\n', ByWord.Select(w =>
                $"UPDATE \"{w.Table}\" SET \"{w.Column}\" = lower(substr(\"{w.Column}\", 1, 1)) || substr(\"{w.Column}\", 2);"))}
            DELETE FROM __EFMigrationsHistory;
            INSERT INTO __EFMigrationsHistory VALUES ('{first}', '10.0.15');
            COMMIT;
            """);
    }

    private static object? Ask(SqliteConnection file, string sql)
    {
        using var command = file.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }
}
