using MudPie.Core.Workings;

namespace MudPie.Core.PuttingOut;

/// <summary>What has been judged of a job before it is kept, whatever door it comes by.</summary>
/// <param name="NotFit">Why the brew in it is not fit to use; null where it is, or where there is none.</param>
/// <param name="Sprayer">Of the sprayer it goes out by; null where none of the shed's was named.</param>
/// <param name="Mixing">Of what stands in the tank together, and of what the beds got lately; null where nothing was judged.</param>
/// <param name="Cautions">What has to be read first.</param>
/// <param name="Shorts">What the shelf is short of: the name, and by how much in words.</param>
public sealed record JobStands(string? NotFit, SprayerRuling? Sprayer, MixAnswer? Mixing, IReadOnlyList<Caution> Cautions,
    IReadOnlyList<(string Name, string Short)> Shorts);

/// <summary>What was said with a job.</summary>
/// <param name="OverrideWhy">Why an unfit brew goes out all the same.</param>
/// <param name="MixWhy">Why it is mixed against a rule.</param>
/// <param name="CautionsSeen">Ids of the cautions that were ticked.</param>
/// <param name="Who">Whose hands.</param>
/// <param name="Why">What for.</param>
public sealed record JobSaid(string? OverrideWhy, string? MixWhy, IReadOnlyList<string> CautionsSeen, string? Who = null,
    string? Why = null);

/// <summary>Reasons that a job keeps, because a rule was set aside.</summary>
public sealed record JobReasons(string? OverrideWhy, string? MixWhy);

/// <summary>Putting out: the gates that every job passes, by the form, by a note or from a trial.</summary>
public static class PutOutDeeds
{
    /// <summary>Letters that a reason for setting a rule aside has at least.</summary>
    public const int ReasonLetters = 10;

    /// <summary>Judges a job that is to be kept. Two things that make a gas together are never let through; another rule of mixing, and an
    /// unfit brew, only for a reason of ten letters; a sprayer that is not allowed, never.</summary>
    public static Ruling<JobReasons> Keep(JobStands job, JobSaid said)
    {
        var checks = new Checks();
        if (job.NotFit is { } unfit && !Reason(said.OverrideWhy))
        {
            checks.Add("overrideWhy", $"This brew is not fit to use. {unfit}",
                "Heap it; or say in words, ten letters at least, why it goes out all the same. The record keeps it.");
        }

        if (job.Sprayer is { Allowed: false } no)
        {
            checks.Add("sprayerId", no.Verdict.Sentence, no.Verdict.Why);
        }

        if (job.Mixing?.Pairs.FirstOrDefault(p => p.Gas) is { } gas)
        {
            checks.Add("items", $"Never: {gas.A} and {gas.B}, {gas.Where}. {gas.Why}",
                "Take one out, or wash the sprayer first. No reason sets this aside.");
        }
        else if (job.Mixing?.Verdict.Tone == Tone.Stop && !Reason(said.MixWhy))
        {
            checks.Add("mixWhy", job.Mixing.Verdict.Sentence,
                "Leave one out or wait; or say in words, ten letters at least, why it is done all the same. The record keeps it.");
        }

        Seen(checks, job, said);
        return checks.Sound
            ? Worked.Of(new JobReasons(job.NotFit is not null ? said.OverrideWhy!.Trim() : null,
                job.Mixing?.Verdict.Tone == Tone.Stop ? said.MixWhy?.Trim() : null), "", Evidence.MeasuredHere)
            : checks.Refusal;
    }

    private static void Seen(Checks checks, JobStands job, JobSaid said)
    {
        foreach (var (name, missing) in job.Shorts.Where(_ => !said.CautionsSeen.Contains(Cautions.StockShort.Id)))
        {
            checks.Add("items", $"{name}: {missing} of what this takes.",
                "Somebody may have used it meanwhile. Count the lot on the shelf, take less, or tick that it was used all the same.");
        }

        if (said.Who is { Length: > 40 } || said.Why is { Length: > 300 })
        {
            checks.Add(said.Who is { Length: > 40 } ? "who" : "why", "That is too long.", "Up to 40 letters for who, 300 for why.");
        }

        var unseen = job.Cautions.Count(c => !said.CautionsSeen.Contains(c.Id));
        if (unseen > 0)
        {
            checks.Add("cautionsSeen", $"{unseen} {(unseen == 1 ? "caution has" : "cautions have")} not been ticked.",
                "Read each and tick it.");
        }
    }

    private static bool Reason(string? why) => (why ?? "").Trim().Length >= ReasonLetters;
}
