using Rama.Core.Explain;
using Rama.Core.Passes;

namespace Rama.Core.Season;

/// <summary>A pass of a planting's programme.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">The pass in two or three words.</param>
/// <param name="What">What is done.</param>
/// <param name="Window">When it may be done.</param>
/// <param name="From">First day it is planned for: of its window, or moved; null where nobody knows.</param>
/// <param name="To">Last day it is planned for.</param>
/// <param name="State">Where it stands.</param>
/// <param name="Choice">What people decided and reported of it; null for nothing.</param>
/// <param name="Says">How to give what is missing, why it never opens, or what its new days mean; null for
/// none.</param>
/// <param name="On">What its days must be like.</param>
/// <param name="Hands">Whom it needs.</param>
/// <param name="IsWinter">Whether the cuts of the winter prescription belong to it.</param>
/// <param name="Cuts">Cutting steps it carries.</param>
/// <param name="EveryDays">Days after which it comes again; null for once.</param>
/// <param name="Times">How often at least, where it comes again.</param>
/// <param name="Again">Day it is due again, once done; null where it is not.</param>
/// <param name="Hours">Its hours; null where nobody can tell.</param>
/// <param name="Caution">Caution where work can hurt someone.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="Task">What it is of a training programme; null where it is none of one.</param>
/// <param name="Follows">Passes it follows row by row, where the planting has them.</param>
public sealed record PlannedPass(
    string Id,
    LocalText Name,
    LocalText What,
    PassWindow Window,
    DateOnly? From,
    DateOnly? To,
    PassState State,
    PassChoice? Choice,
    Notice? Says,
    IReadOnlyList<DayCondition> On,
    IReadOnlyList<Hands> Hands,
    bool IsWinter,
    IReadOnlyList<CarriedStep> Cuts,
    int? EveryDays,
    int? Times,
    DateOnly? Again,
    PassHours? Hours,
    LocalText? Caution,
    string Source,
    PlannedTask? Task,
    IReadOnlyList<string> Follows
)
{
    /// <summary>Whether it is still to be done.</summary>
    public bool IsAhead => State is not (PassState.Done or PassState.LeftOut);

    /// <summary>Hours paid that are left of it; null where nobody can tell its hours.</summary>
    /// <param name="done">Share of it that is done.</param>
    public PassHours? HoursLeft(double done) => Hours?.Left(Math.Clamp(done, 0, 1));

    /// <summary>Whether it goes to the number, so that it has the card of the winter.</summary>
    public bool GoesToNumber => IsWinter && Id != PassIds.Major && Hours is { Assumed: false };

    /// <summary>What the bench knows its cuts by; empty for the winter, null where nothing is cut.</summary>
    public string? BenchPass =>
        Cuts.Count == 0 ? null
        : IsWinter && Id != PassIds.Major ? ""
        : PassIds.OfCuts(Id);

    /// <summary>Days its hours fall on: up to the day it was done, else those it is planned for.</summary>
    internal (DateOnly? From, DateOnly? To) Worked =>
        State == PassState.Done && Choice!.Done is { } done ? (From < done ? From : done, done) : (From, To);

    /// <summary>Its window with the days it was moved to, or done on, for what follows it.</summary>
    internal PassWindow AsWorked =>
        Choice?.Done is { } done ? new(done, done, AnchorBasis.Recorded, [], false)
        : Choice?.From is not null ? new(From, To, AnchorBasis.Recorded, [], false)
        : Window;

    internal static PlannedPass Of(
        PassDefinition definition,
        PassWindow window,
        IReadOnlyList<CarriedStep> steps,
        PassHours? hours,
        PassChoice? choice,
        DateOnly? today,
        PlannedTask? task = null
    )
    {
        var (from, to) =
            choice?.From is not null ? (choice.From, choice.To)
            : window.NeverOpens ? (null, null)
            : (window.From, window.To);
        // What was done before it happened again was done for the time before.
        var done = HangsOnEvent(definition) && choice?.Done < from ? null : choice?.Done;
        var again =
            done is { } day && definition.EveryDays is { } every && day.AddDays(every) <= to
                ? day.AddDays(every)
                : (DateOnly?)null;
        return new(
            definition.Id,
            definition.Name,
            definition.What,
            window,
            from,
            to,
            StateOf(choice?.LeftOut is not null, today < again || again is null ? done : null, from, to, today),
            choice,
            choice?.From is null ? window.Says() : SaysOfMove(window, choice),
            definition.On,
            definition.Hands,
            definition.IsWinter,
            steps,
            definition.EveryDays,
            definition.Times,
            again,
            hours,
            definition.Caution,
            definition.Source,
            task,
            definition.Window.AfterPass
        );
    }

    private static bool HangsOnEvent(PassDefinition definition) =>
        definition.Window.From.Any(a =>
            a.Anchor is Anchor.Melt or Anchor.FlushRipe or Anchor.ColdNight or Anchor.Mark or Anchor.StrikeSeen
        );

    private static PassState StateOf(bool isLeftOut, DateOnly? done, DateOnly? from, DateOnly? to, DateOnly? today) =>
        isLeftOut ? PassState.LeftOut
        : done is not null ? PassState.Done
        : from is null || to is null || today is null ? PassState.Unknown
        : today > to ? PassState.Late
        : today < from ? PassState.Ahead
        : PassState.Open;

    // A manager may know better; what it means is told.
    private static Notice? SaysOfMove(PassWindow window, PassChoice choice)
    {
        if (window.NeverOpens || window.From is not { } opens || window.To is not { } closes)
            return null;
        var early = opens.DayNumber - choice.From!.Value.DayNumber;
        var late = choice.To!.Value.DayNumber - closes.DayNumber;
        return late > 0
                ? new(
                    "pass.moved-late",
                    $"Moved: ends {late} days after its window.",
                    new Figure("days late", late, "day")
                )
            : early > 0
                ? new(
                    "pass.moved-early",
                    $"Moved: begins {early} days before its window.",
                    new Figure("days early", early, "day")
                )
            : null;
    }
}

/// <summary>Where a pass stands.</summary>
public enum PassState
{
    /// <summary>Nobody can tell.</summary>
    Unknown,

    /// <summary>Its window is to come.</summary>
    Ahead,

    /// <summary>It can be done today, if the day is such as it needs.</summary>
    Open,

    /// <summary>Its window is over, and it was not done.</summary>
    Late,

    /// <summary>It was done.</summary>
    Done,

    /// <summary>It is left out, for a reason.</summary>
    LeftOut,
}

/// <summary>A cutting step a pass carries.</summary>
/// <param name="Id">Step of the system.</param>
/// <param name="Name">The step in two or three words.</param>
/// <param name="CutsPerTree">Cuts on a mean tree; null where nothing is prescribed.</param>
/// <param name="Seconds">Seconds of them on a mean tree.</param>
/// <param name="Assumed">Whether the seconds are an assumption.</param>
public sealed record CarriedStep(string Id, LocalText Name, double? CutsPerTree, double Seconds, bool Assumed);

/// <summary>A pass a manager may add to a programme.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">The pass in two or three words.</param>
public sealed record AddablePass(string Id, LocalText Name);
