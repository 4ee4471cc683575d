using Rama.Core.Passes;

namespace Rama.Core.Crew.Schedule;

/// <summary>A pass of a planting, or a part of its rows, for a crew to do.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Hours">Hours paid of all people together, at the speed expected.</param>
/// <param name="From">First day it may be done.</param>
/// <param name="Due">Last day it is in time; null where it is never late.</param>
/// <param name="Late">What finishing later costs.</param>
/// <param name="Needs">Hands it needs.</param>
/// <param name="Site">Where it is.</param>
/// <param name="Platforms">Platforms it takes as long as it goes on; 0 for none.</param>
/// <param name="After">Tasks that run ahead of it by half a day, at its start and at its end.</param>
/// <param name="Weather">Days it can be worked on, so that it may be interrupted; null where every day will do.</param>
/// <param name="NeverLate">Whether it may not be late at all.</param>
/// <param name="OnlyCrew">Crew a manager keeps it with; null for any.</param>
/// <param name="OnlyFrom">Day a manager has it begin on; null for any.</param>
public sealed record CrewTask(
    string Id,
    double Hours,
    DateOnly From,
    DateOnly? Due,
    LateCharge Late,
    IReadOnlyList<Hands> Needs,
    string Site,
    int Platforms = 0,
    IReadOnlyList<string>? After = null,
    WorkWeather? Weather = null,
    bool NeverLate = false,
    string? OnlyCrew = null,
    DateOnly? OnlyFrom = null
)
{
    /// <summary>People one platform carries.</summary>
    public const int PeopleOnPlatform = 2;

    /// <summary>What a day late of a task that may not be late is taken to cost, money; above any crop.</summary>
    public const double NeverLatePerDay = 1e6;

    /// <summary>Tasks that run ahead of it.</summary>
    public IReadOnlyList<string> Before => After ?? [];

    /// <summary>Days a finish lies after the last day in time.</summary>
    /// <param name="finish">Day of the finish.</param>
    public int DaysLate(DateOnly finish) => Due is { } due ? Math.Max(0, finish.DayNumber - due.DayNumber) : 0;

    /// <summary>What a finish costs, money.</summary>
    /// <param name="finish">Day of the finish.</param>
    public double LateCost(DateOnly finish)
    {
        var days = DaysLate(finish);
        return Late.Of(days) + (NeverLate ? NeverLatePerDay * days : 0);
    }
}

/// <summary>What being late costs.</summary>
/// <param name="PerDay">Money for each day.</param>
/// <param name="Beside">Money beside that, all told, when late by one day, by two and so on; as by the last of them
/// after.</param>
public sealed record LateCharge(double PerDay, IReadOnlyList<double>? Beside = null)
{
    /// <summary>Nothing.</summary>
    public static LateCharge None { get; } = new(0);

    /// <summary>What being late by some days costs, money.</summary>
    /// <param name="days">Days, 0 or more.</param>
    public double Of(int days) =>
        PerDay * days + (days > 0 && Beside is { Count: > 0 } more ? more[Math.Min(days, more.Count) - 1] : 0);
}

/// <summary>Days work can be done on where its days must be such as it needs.</summary>
/// <param name="UsableShare">Share of the days that are, where a day is not known; above 0 and at most 1.</param>
/// <param name="Known">Days measured or forecast, and whether they are.</param>
/// <remarks>
/// A day not known is planned as usable or not so that of every few the share is, the same days for all work of one
/// share: rain falls on everybody. Source: derived.
/// </remarks>
public sealed record WorkWeather(double UsableShare, IReadOnlyDictionary<DateOnly, bool>? Known = null)
{
    /// <summary>Whether work is planned on a day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="start">First day of the plan.</param>
    public bool IsUsable(DateOnly day, DateOnly start)
    {
        if (Known?.TryGetValue(day, out var known) == true)
            return known;
        var n = day.DayNumber - start.DayNumber;
        return Math.Floor((n + 1) * UsableShare + 0.5) > Math.Floor(n * UsableShare + 0.5);
    }
}
