using Rama.Core.Explain;

namespace Rama.Core.Crew.Schedule;

/// <summary>What a manager says of one pass of a planting in the crew plan.</summary>
/// <param name="Crew">Crew it is kept with; null for any.</param>
/// <param name="Start">Day it is to begin on; null for any.</param>
/// <param name="LatePerDay">What a day late costs, money; null for the usual.</param>
/// <param name="NeverLate">Whether it may not be late.</param>
/// <param name="Platforms">Platforms it takes.</param>
/// <param name="InTwo">Whether two crews may share its rows.</param>
public sealed record TaskChoice(
    Guid? Crew = null,
    DateOnly? Start = null,
    double? LatePerDay = null,
    bool NeverLate = false,
    int Platforms = 0,
    bool InTwo = false
)
{
    /// <summary>Whether nothing is said.</summary>
    public bool IsEmpty => this == new TaskChoice();
}

/// <summary>What a manager says of one pass of a planting in the crew plan, as typed.</summary>
public sealed record TaskChoiceEntry
{
    private const int MostPlatforms = 20;

    /// <inheritdoc cref="TaskChoice.Crew"/>
    public Guid? Crew { get; init; }

    /// <inheritdoc cref="TaskChoice.Start"/>
    public DateOnly? Start { get; init; }

    /// <inheritdoc cref="TaskChoice.LatePerDay"/>
    public double? LatePerDay { get; init; }

    /// <inheritdoc cref="TaskChoice.NeverLate"/>
    public bool NeverLate { get; init; }

    /// <inheritdoc cref="TaskChoice.Platforms"/>
    public double? Platforms { get; init; }

    /// <inheritdoc cref="TaskChoice.InTwo"/>
    public bool InTwo { get; init; }

    /// <summary>Reads it.</summary>
    /// <param name="season">Calendar year of the harvest.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public TaskChoice Read(int season)
    {
        var reader = new EntryReader();
        if (Start is { } start && Math.Abs(start.Year - season) > 1)
            reader.Add("start", "range", $"Start: expected a day from {season - 1} to {season + 1}.");
        var perDay = reader.Optional("latePerDay", "Cost of a day late", LatePerDay, "money/day", 0, 1_000_000);
        var platforms = reader.OptionalWhole("platforms", "Platforms", Platforms, "", 0, MostPlatforms) ?? 0;
        reader.ThrowIfAny();
        return new(Crew, Start, perDay, NeverLate, (int)platforms, InTwo);
    }
}

/// <summary>What is the same for all work of an estate's plan, as typed.</summary>
public sealed record CrewSettingsEntry
{
    private const int MostPlatforms = 200;

    /// <summary>Platforms the crews share; none when left out.</summary>
    public double? Platforms { get; init; }

    /// <summary>Hours a crew needs from site to site; half an hour when left out.</summary>
    public double? MoveHours { get; init; }

    /// <summary>Share of a task's wages that a day late costs, where nothing else is known.</summary>
    public double? LateShare { get; init; }

    /// <summary>What a day late costs, where nothing else is known, as a share of the wages of the work (assumption).
    /// </summary>
    public const double UsualLateShare = 0.02;

    /// <summary>Reads it.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public (int Platforms, double MoveHours, double LateShare) Read()
    {
        var reader = new EntryReader();
        var platforms = reader.OptionalWhole("platforms", "Platforms", Platforms, "", 0, MostPlatforms) ?? 0;
        var move = reader.Optional("moveHours", "Hours from site to site", MoveHours, "h", 0, 8)
            ?? new CrewSettings().MoveHours;
        var late = reader.Optional("lateShare", "A day late", LateShare, "share", 0, 1) ?? UsualLateShare;
        reader.ThrowIfAny();
        return ((int)platforms, move, late);
    }
}
