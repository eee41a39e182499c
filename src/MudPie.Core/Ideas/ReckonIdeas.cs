using System.Text.Json.Serialization;

namespace MudPie.Core.Ideas;

/// <summary>What follows from what a practice was worth.</summary>
public enum ReckonWord
{
    /// <summary>It paid: its whole interval lies above nought.</summary>
    Keep,

    /// <summary>It did not pay: its whole interval lies below nought.</summary>
    Drop,

    /// <summary>An own trial stands, and can't tell.</summary>
    [JsonStringEnumMemberName("test again")]
    TestAgain,

    /// <summary>Nobody tried it here.</summary>
    [JsonStringEnumMemberName("test or drop")]
    TestOrDrop,
}

/// <summary>On what evidence, best first.</summary>
public enum Rung
{
    /// <summary>Own trials.</summary>
    Own,

    /// <summary>Neighbours' and own together.</summary>
    Together,

    /// <summary>What is published.</summary>
    Published,

    /// <summary>Nobody knows.</summary>
    Nobody,
}
