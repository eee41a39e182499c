using MudPie.Core.Workings;

namespace MudPie.Server.People;

/// <summary>Which passwords are taken.</summary>
internal static class Passwords
{
    /// <summary>What would do.</summary>
    public const string Advice = "Give at least 12 signs: three or four words that have nothing to do with each other are good.";

    /// <summary>Why one is not taken: short, or soon guessed; null where it is.</summary>
    public static Refusal? Weak(string password, string name) =>
        password.Length < 12 ? Refusal.Of("password", "That password is too short.", Advice)
        : password.Length > 200 ? Refusal.Of("password", "That password is longer than 200 signs.", "Give a shorter one.")
        : password.Distinct().Count() < 5 || (name.Length > 3 && password.Contains(name, StringComparison.OrdinalIgnoreCase))
            || password.Contains("mudpie", StringComparison.OrdinalIgnoreCase)
            || password.Contains("password", StringComparison.OrdinalIgnoreCase) || Run(password)
            ? Refusal.Of("password", "That password is too easy to guess.", Advice) : null;

    /// <summary>True for "123456789012", "abcdefghijkl" and their like: mostly the neighbour of the sign before.</summary>
    private static bool Run(string password) => Enumerable.Range(1, password.Length - 1)
        .Count(i => Math.Abs(password[i] - password[i - 1]) <= 1) > password.Length * 2 / 3;
}
