using Rama.Core.Crew.Schedule;
using Rama.Core.Prescribe;
using Rama.Core.Training.Rework;
using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>One estate. Everything else belongs to one.</summary>
public sealed class EstateRecord : IHistoried
{
    /// <summary>Key of all that belongs to it.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    Guid IEstateOwned.EstateId => Id;

    HistoryPlace IHistoried.Place => new("estate");

    /// <summary>As its people call it.</summary>
    public required string Name { get; set; }

    /// <summary>Calendar year of the harvest being planned for.</summary>
    public required int Season { get; set; }

    /// <summary>Hours all crews together work in a week; null until told.</summary>
    public double? CrewHoursPerWeek { get; set; }

    /// <summary>Money its prices are in, three letters; null until told.</summary>
    public string? Currency { get; set; }

    /// <summary>Measures the crews take with the body, as typed, as JSON; null without any.</summary>
    public string? BodyMarks { get; private set; }

    /// <summary>Colours of the ribbons on trees in rework and trees to go, by standing, as JSON; null for those
    /// that ship.</summary>
    public string? Ribbons { get; private set; }

    /// <summary>What is the same for all work of the crew plan, as typed, as JSON; null for the usual.</summary>
    public string? CrewSettings { get; private set; }

    /// <summary>
    /// The day the estate's season logic takes as today; null for the real one. Demo data sits in its own winter.
    /// </summary>
    public DateOnly? Today { get; set; }

    /// <summary>The day the season logic goes by, in a time zone where one is known.</summary>
    public DateOnly TodayBy(TimeProvider clock, TimeZoneInfo? zone = null) =>
        Today
        ?? DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(clock.GetUtcNow(), zone ?? clock.LocalTimeZone).DateTime);

    /// <summary>PostgreSQL's row version.</summary>
    public uint Version { get; private set; }

    /// <summary>Takes the crews' measures over.</summary>
    public void TakeOver(BodyMarksEntry? marks) =>
        BodyMarks = marks is null || marks == new BodyMarksEntry() ? null : StoredJson.WritePart(marks);

    /// <summary>Takes over what is the same for all work of the crew plan.</summary>
    public void TakeOver(CrewSettingsEntry settings) =>
        CrewSettings = settings == new CrewSettingsEntry() ? null : StoredJson.WritePart(settings);

    /// <summary>What is the same for all work of the crew plan, as typed.</summary>
    public CrewSettingsEntry ToCrewSettings() => StoredJson.ReadPart<CrewSettingsEntry>(CrewSettings) ?? new();

    /// <summary>Takes colours over that the core has read.</summary>
    public void TakeOver(Ribbons ribbons) => Ribbons = ribbons.IsShipped ? null : StoredJson.WritePart(ribbons.Colours);

    /// <summary>The colours of the ribbons.</summary>
    public Ribbons ToRibbons() =>
        Core.Training.Rework.Ribbons.Of(StoredJson.ReadPart<Dictionary<ReworkStanding, string>>(Ribbons) ?? []);

    /// <summary>The crews' measures as typed.</summary>
    public BodyMarksEntry ToBodyMarks() => StoredJson.ReadPart<BodyMarksEntry>(BodyMarks) ?? new();
}
