using Rama.Core.Explain;

namespace Rama.Core.Result.Harvest;

/// <summary>The harvest of a planting in one season, pick by pick and grade by grade.</summary>
/// <param name="Kg">Picked mass.</param>
/// <param name="PackedKg">Mass sold as wanted.</param>
/// <param name="PackOut">The one over the other; null where nothing was picked.</param>
/// <param name="FruitMassKg">Mean mass of a fruit, by the lines whose fruit were counted; null for none.</param>
/// <param name="Picks">Pick by pick.</param>
/// <param name="Grades">Grade by grade, those sold as wanted first, each the heaviest first.</param>
public sealed record SeasonHarvest(
    double Kg,
    double PackedKg,
    double? PackOut,
    double? FruitMassKg,
    IReadOnlyList<HarvestPick> Picks,
    IReadOnlyList<HarvestGrade> Grades
)
{
    /// <summary>Most lines of one planting and season.</summary>
    public const int MostLines = 500;

    /// <summary>Grades come to what was delivered within this share: leaves, water and weighing make up for more or
    /// less (assumption).</summary>
    public const double Weighed = 0.02;

    private const double KgPerTonne = 1_000,
        GramsPerKg = 1_000;

    /// <summary>Adds lines up.</summary>
    /// <param name="lines">The lines, each pick and grade once.</param>
    /// <returns>Null for none.</returns>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public static SeasonHarvest? Of(IReadOnlyList<HarvestLineEntry> lines)
    {
        var reader = new EntryReader();
        if (lines.Count > MostLines)
            throw new UnusableEntryException([
                new("harvest", "list", $"Harvest: expected at most {MostLines} lines a planting and season."),
            ]);
        List<(int At, HarvestLine Line)> read = [];
        HashSet<(int, string)> seen = [];
        foreach (var (i, entry) in lines.Index())
            if (reader.Under($"harvest[{i}]", entry.Read) is { } line)
            {
                if (!seen.Add((line.Pick, line.Grade.ToUpperInvariant())))
                    reader.Add($"harvest[{i}].grade", "duplicate", $"Pick {line.Pick} has {line.Grade} twice.");
                read.Add((i, line));
            }
        foreach (var pick in read.GroupBy(r => r.Line.Pick))
            if (pick.FirstOrDefault(r => r.Line.DeliveredKg is > 0) is { Line: { DeliveredKg: { } whole } } weighed)
            {
                var sum = pick.Sum(r => r.Line.Kg);
                if (Math.Abs(sum - whole) > Weighed * whole)
                    reader.Add(
                        $"harvest[{weighed.At}].delivered",
                        "conflict",
                        $"Pick {pick.Key}: its grades come to {sum:0} kg, and {whole:0} kg were delivered."
                    );
            }
        reader.ThrowIfAny();
        return read.Count == 0 ? null : Of([.. read.Select(r => r.Line)]);
    }

    /// <summary>What it makes of the record of its season: yield, pack-out and, where fruit were counted, their
    /// mass.</summary>
    /// <param name="season">The record.</param>
    /// <param name="areaHa">Area picked, above 0.</param>
    public SeasonResultEntry Into(SeasonResultEntry season, double areaHa) =>
        season with
        {
            Yield = new(Math.Round(Kg / KgPerTonne / areaHa, 2), "t/ha"),
            PackOut = PackOut is { } share ? new(Math.Round(share * 100, 1), "%") : season.PackOut,
            FruitSize = FruitMassKg is { } kg ? new(Math.Round(kg * GramsPerKg, 1), "g") : season.FruitSize,
        };

    /// <summary>What is said where the record of a season tells another yield than its harvest.</summary>
    /// <param name="kgPerHa">Yield of the record; null where it tells none.</param>
    /// <param name="areaHa">Area picked, above 0.</param>
    public Notice? Against(double? kgPerHa, double areaHa) =>
        kgPerHa is { } told && Math.Abs(told - Kg / areaHa) > Weighed * told
            ? new(
                "harvest.differs",
                $"The record says {told / KgPerTonne:0.0} t/ha, the pack-house {Kg / areaHa / KgPerTonne:0.0} t/ha. "
                    + "Which is right?",
                new Figure("yield of the record", told / KgPerTonne, "t/ha"),
                new Figure("yield by the pack-house", Kg / areaHa / KgPerTonne, "t/ha")
            )
            : null;

    private static SeasonHarvest Of(IReadOnlyList<HarvestLine> lines)
    {
        var (kg, packed) = (lines.Sum(l => l.Kg), lines.Where(l => l.IsPacked).Sum(l => l.Kg));
        var counted = lines.Where(l => l.Fruit is not null).ToList();
        return new(
            kg,
            packed,
            kg > 0 ? packed / kg : null,
            counted.Count > 0 ? counted.Sum(l => l.Kg) / counted.Sum(l => l.Fruit!.Value) : null,
            [
                .. lines
                    .GroupBy(l => l.Pick)
                    .OrderBy(g => g.Key)
                    .Select(g => new HarvestPick(
                        g.Key,
                        g.Select(l => l.Day).Max(),
                        g.Sum(l => l.Kg),
                        g.Where(l => l.IsPacked).Sum(l => l.Kg)
                    )),
            ],
            [
                .. lines
                    .GroupBy(l => (Name: l.Grade, l.IsPacked), GradeComparer.Instance)
                    .Select(g => new HarvestGrade(
                        g.First().Grade,
                        g.Key.IsPacked,
                        g.Sum(l => l.Kg),
                        kg > 0 ? g.Sum(l => l.Kg) / kg : 0
                    ))
                    .OrderByDescending(g => g.IsPacked)
                    .ThenByDescending(g => g.Kg),
            ]
        );
    }

    private sealed class GradeComparer : IEqualityComparer<(string Name, bool IsPacked)>
    {
        public static readonly GradeComparer Instance = new();

        public bool Equals((string Name, bool IsPacked) x, (string Name, bool IsPacked) y) =>
            x.IsPacked == y.IsPacked && string.Equals(x.Name, y.Name, StringComparison.OrdinalIgnoreCase);

        public int GetHashCode((string Name, bool IsPacked) of) =>
            StringComparer.OrdinalIgnoreCase.GetHashCode(of.Name);
    }
}

/// <summary>One pick.</summary>
/// <param name="Pick">Which, from 1.</param>
/// <param name="Day">Its last day; null where nobody says.</param>
/// <param name="Kg">Picked mass.</param>
/// <param name="PackedKg">Mass sold as wanted.</param>
public sealed record HarvestPick(int Pick, DateOnly? Day, double Kg, double PackedKg);

/// <summary>One grade over all picks.</summary>
/// <param name="Name">The grade, or why it was rejected.</param>
/// <param name="IsPacked">Whether it was sold as wanted.</param>
/// <param name="Kg">Its mass.</param>
/// <param name="Share">Its share of the picked mass.</param>
public sealed record HarvestGrade(string Name, bool IsPacked, double Kg, double Share);
