using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Training;

namespace Rama.Core.Plan;

/// <summary>A planting and what was measured of its young trees, as typed.</summary>
public sealed record TrainingProgrammeEntry
{
    /// <summary>All that is entered for the planting.</summary>
    public PlanEntry Plan { get; init; } = new();

    /// <summary>What was measured, season by season.</summary>
    public IReadOnlyList<YoungSeasonEntry> Young { get; init; } = [];

    /// <summary>Wage an hour; no cost is told without it.</summary>
    public double? Wage { get; init; }

    /// <summary>Works the training out.</summary>
    /// <param name="catalogue">The estate's catalogue; the shipped one when left out.</param>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used, or the system without a training
    /// programme.</exception>
    public TrainingPlan Calculate(Catalogue? catalogue = null)
    {
        var reading = PlanReading.Of(Plan, catalogue);
        reading.ThrowIfWrong("planting");
        var reader = new EntryReader();
        var wage = reader.Optional("wage", "Wage", Wage, "", 0.01, 1_000);
        var young = YoungSeasonEntry.Read(reader, "young", Young, reading.Planting!);
        reader.ThrowIfAny();
        if (
            TrainingPlan.Of(
                ProgrammeEntry.TermsOf(reading, PruningPlan.Of(reading)).Training with
                {
                    Measured = young,
                    Wage = wage,
                }
            ) is
            { } training
        )
            return training;
        reader.Add("plan.planting.system", "unknown", "System: it has no training programme.");
        throw new UnusableEntryException(reader.Problems);
    }
}

/// <summary>Young trees measured at the end of one season, as typed.</summary>
public sealed record YoungSeasonEntry
{
    private const int Most = 30;

    /// <summary>Calendar year of the harvest.</summary>
    public double? Season { get; init; }

    /// <summary>What was measured.</summary>
    public YoungTreesEntry Trees { get; init; } = new();

    internal static IReadOnlyList<YoungTrees> Read(
        EntryReader reader,
        string field,
        IReadOnlyList<YoungSeasonEntry> seasons,
        Planting planting
    )
    {
        if (seasons.Count > Most)
            reader.Add(field, "list", $"Young trees: expected at most {Most} seasons.");
        List<YoungTrees> read = [];
        foreach (var (i, entry) in seasons.Take(Most).Index())
        {
            var path = $"{field}[{i}]";
            var season = reader.RequiredWhole($"{path}.season", "Season", entry.Season, "", 1900, 2200);
            if (double.IsNaN(season))
                continue;
            if (reader.Under(path, () => entry.Trees.Read((int)season, planting.YearPlanted)) is not { } trees)
                continue;
            if (read.Any(r => r.Season == trees.Season))
                reader.Add($"{path}.season", "duplicate", "This season is told twice.");
            read.Add(trees);
        }
        return read;
    }
}
