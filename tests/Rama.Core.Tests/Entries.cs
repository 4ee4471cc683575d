using Rama.Core.Count;
using Rama.Core.Estate;
using Rama.Core.Explain;
using Rama.Core.Plan;
using Rama.Core.Target;

namespace Rama.Core.Tests;

/// <summary>Entries a manager might type, to start a test from.</summary>
internal static class Entries
{
    public static readonly PlantingEntry Planting = new()
    {
        Code = "T1",
        Name = "Test",
        Variety = "Jonagold",
        Rootstock = "M.9",
        System = "tall-spindle",
        YearPlanted = 2018,
        RowSpacing = new(3.5, "m"),
        TreeSpacing = new(0.9, "m"),
        Area = new(2, "ha"),
        MissingShare = new(3, "%"),
        PollinizerShare = new(5, "%"),
    };

    public static readonly TargetEntry Target = new()
    {
        Yield = new(60, "t/ha"),
        FruitSize = new(190, "g"),
        PackOut = new(88, "%"),
        BudFactor = 1.8,
    };

    /// <summary>Trees with these floral buds and 22 limbs each.</summary>
    public static SurveyEntry Counted(params double[] floralBuds) =>
        new()
        {
            Trees =
            [
                .. floralBuds.Select(
                    (b, i) =>
                        new CountedTreeEntry
                        {
                            Row = 1 + i,
                            Tree = 10,
                            Limbs = 22,
                            FloralBuds = b,
                        }
                ),
            ],
        };

    public static PlanEntry Plan(params double[] floralBuds) =>
        new()
        {
            Season = 2027,
            Planting = Planting,
            Target = Target,
            Count = Counted(floralBuds),
        };

    public static IReadOnlyList<FieldProblem> ProblemsOf(Action read) =>
        Assert.Throws<UnusableEntryException>(read).Problems;

    public static void AssertProblem(IReadOnlyList<FieldProblem> problems, string field, string code) =>
        Assert.Contains(problems, p => p.Field == field && p.Code == code);
}
