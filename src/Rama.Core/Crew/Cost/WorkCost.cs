using Rama.Core.Explain;

namespace Rama.Core.Crew.Cost;

/// <summary>What work costs: as planned, so far, and what is left of it.</summary>
/// <param name="PlannedHours">Hours paid as planned from the start.</param>
/// <param name="Planned">What they cost at the mean wage, money.</param>
/// <param name="SoFarHours">Hours reported.</param>
/// <param name="SoFar">What is paid for the work reported, by hour or by tree.</param>
/// <param name="LeftHours">Hours left in the crew plan.</param>
/// <param name="Left">What they cost at the wages of those who do it.</param>
/// <param name="Trees">Trees it is on; null where it is on several plantings at once.</param>
/// <param name="AreaHa">Their ground.</param>
/// <param name="Tonnes">Marketable fruit wanted of them; null without a target.</param>
/// <param name="Steps">The arithmetic.</param>
public sealed record WorkCost(
    double PlannedHours,
    double Planned,
    double SoFarHours,
    double SoFar,
    double LeftHours,
    double Left,
    double? Trees,
    double? AreaHa,
    double? Tonnes,
    IReadOnlyList<Step> Steps
) : Calculated(SoFar + Left, "money", Steps, [])
{
    /// <summary>What it will have cost for each tree; null where the trees are not known.</summary>
    public double? PerTree => Per(Trees);

    /// <summary>What it will have cost for each hectare.</summary>
    public double? PerHa => Per(AreaHa);

    /// <summary>What it will have cost for each tonne of fruit wanted.</summary>
    public double? PerTonne => Per(Tonnes);

    /// <summary>What will be spent more than planned; below 0 for less.</summary>
    public double MoreThanPlanned => Value - Planned;

    /// <summary>Puts work together.</summary>
    /// <param name="parts">The work.</param>
    /// <param name="on">Trees, hectares and tonnes it is on.</param>
    public static WorkCost Of(IReadOnlyCollection<CostPart> parts, CostGround on)
    {
        var (planned, soFar, left) = (parts.Sum(p => p.Planned), parts.Sum(p => p.SoFar), parts.Sum(p => p.Left));
        return new(
            parts.Sum(p => p.PlannedHours),
            planned,
            parts.Sum(p => p.SoFarHours),
            soFar,
            parts.Sum(p => p.LeftHours),
            left,
            on.Trees,
            on.AreaHa,
            on.Tonnes,
            [
                new(
                    "cost.expected",
                    "paid for work reported + work left at the wages of those who do it",
                    new("expected in the end", soFar + left, "money"),
                    [new("paid so far", soFar, "money"), new("left", left, "money"), new("planned", planned, "money")],
                    Sources.Definition
                ),
            ]
        );
    }

    private double? Per(double? amount) => amount > 0 ? Value / amount : null;
}

/// <summary>Work of one pass of one planting, as far as its cost goes.</summary>
/// <param name="PlannedHours">Hours paid as planned.</param>
/// <param name="Planned">What they cost, money.</param>
/// <param name="SoFarHours">Hours reported.</param>
/// <param name="SoFar">What is paid for them.</param>
/// <param name="LeftHours">Hours left.</param>
/// <param name="Left">What they cost.</param>
public sealed record CostPart(
    double PlannedHours = 0,
    double Planned = 0,
    double SoFarHours = 0,
    double SoFar = 0,
    double LeftHours = 0,
    double Left = 0
);

/// <summary>What work is on.</summary>
/// <param name="Trees">Trees.</param>
/// <param name="AreaHa">Hectares.</param>
/// <param name="Tonnes">Tonnes of fruit wanted.</param>
public sealed record CostGround(double? Trees = null, double? AreaHa = null, double? Tonnes = null);
