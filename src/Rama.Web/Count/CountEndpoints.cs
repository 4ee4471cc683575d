using Microsoft.AspNetCore.Http.HttpResults;
using Rama.Core.Count;
using Rama.Core.Count.Estimate;
using Rama.Core.Count.Floral;
using Rama.Core.Count.Sample;
using Rama.Core.Count.Vigour;
using Rama.Core.Crops;
using Rama.Core.Explain;
using Rama.Core.Quantities;
using Rama.Data.Plan;
using Rama.Web.Accounts;
using Rama.Web.Field;
using Rama.Web.Plan;

namespace Rama.Web.Count;

/// <summary>A count to save, with the version of the plan it was read at.</summary>
public sealed record SaveCount(uint Version, SurveyEntry Count);

/// <summary>Counted trees, and how many they stand for.</summary>
public sealed record SurveyEstimateRequest
{
    /// <summary>The counted trees.</summary>
    public SurveyEntry Count { get; init; } = new();

    /// <summary>Trees in the planting, where known; the interval then uses the finite correction.</summary>
    public double? TreesInPlanting { get; init; }

    /// <summary>What is known of the trees not counted; nothing when left out.</summary>
    public MeasuredTrees Measured { get; init; } = MeasuredTrees.None;

    internal SurveyEstimate Calculate()
    {
        var reader = new EntryReader();
        var survey = reader.Under("count", Count.Read);
        var trees = reader.Optional("treesInPlanting", "Trees in the planting", TreesInPlanting, "tree", 1, 10_000_000);
        var measured = reader.Under("measured", Measured.Read);
        if (survey?.Trees.Count == 0)
            reader.Add("count.trees", "missing", "Trees: please count at least one tree.");
        if (trees < survey?.Trees.Count)
            reader.Add(
                "treesInPlanting",
                "conflict",
                "Trees in the planting: expected at least as many as were counted."
            );
        reader.ThrowIfAny();
        return SurveyEstimate.Of(survey!, trees, measured)!;
    }
}

/// <summary>How many trees to count.</summary>
public sealed record TreesNeededRequest
{
    /// <summary>How much trees differ: standard deviation over mean.</summary>
    public Amount? Cv { get; init; }

    /// <summary>Half width of the interval accepted, as a share of the mean; 10 % when left out.</summary>
    public Amount? Within { get; init; }

    /// <summary>Trees in the planting.</summary>
    public double? TreesInPlanting { get; init; }

    internal TreesNeeded Calculate()
    {
        var reader = new EntryReader();
        var cv = reader.Required("cv", "Coefficient of variation", Cv, Units.Share, 0.001, 5);
        var within = reader.Optional("within", "Within", Within, Units.Share, 0.001, 1) ?? SampleSettings.Aim;
        var trees = reader.Required("treesInPlanting", "Trees in the planting", TreesInPlanting, "tree", 2, 10_000_000);
        reader.ThrowIfAny();
        return new(SampleSize.TreesNeeded(cv, within, trees));
    }
}

/// <summary>Trees to count.</summary>
/// <param name="Trees">The smallest number whose interval is narrow enough.</param>
public sealed record TreesNeeded(int Trees);

/// <summary>Buds cut, to see which are floral.</summary>
/// <param name="BudCuts">The cuts, at least one.</param>
public sealed record FloralSharesRequest(IReadOnlyList<BudCutEntry> BudCuts)
{
    internal IReadOnlyList<FloralShare> Calculate()
    {
        if (BudCuts.Count == 0)
            throw new UnusableEntryException([new("budCuts", "missing", "Buds cut: please enter at least one line.")]);
        return new SurveyEntry { BudCuts = BudCuts }
            .Read()
            .Shares;
    }
}

/// <summary>What was seen on a vigour walk.</summary>
/// <param name="Marks">The marks, at least one.</param>
/// <param name="Habit">How the crop bears; as pome fruit does when left out.</param>
public sealed record VigourRequest(IReadOnlyList<VigourMarkEntry> Marks, BearingHabit Habit = BearingHabit.MixedBud)
{
    internal VigourSummary Calculate()
    {
        var reader = new EntryReader();
        if (Marks.Count is 0 or > SurveyEntry.MostTrees)
            reader.Add("marks", "range", $"Marks: expected 1 to {SurveyEntry.MostTrees}.");
        reader.ThrowIfAny();
        var marks = Marks.Select((m, i) => reader.Under($"marks[{i}]", m.Read)).OfType<VigourMark>().ToList();
        reader.ThrowIfAny();
        return VigourSummary.Of(marks, Habit)!;
    }
}

internal static class CountEndpoints
{
    public static RouteGroupBuilder MapCount(this RouteGroupBuilder api)
    {
        api.MapPut("/plantings/{id:guid}/count", Save)
            .For(Act.Count)
            .WithTags("Count")
            .WithSummary("Save the counted trees of the season");
        return api.MapSample().MapField().MapPhotos().MapScans();
    }

    public static RouteGroupBuilder MapCountCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/survey-estimate", (SurveyEstimateRequest request) => TypedResults.Ok(request.Calculate()))
            .WithSummary("Mean floral buds per tree with interval and spread from counted trees");
        calculations
            .MapPost("/trees-needed", (TreesNeededRequest request) => TypedResults.Ok(request.Calculate()))
            .WithSummary("Trees to count for an interval of a given width");
        calculations
            .MapPost("/floral-share", (FloralSharesRequest request) => TypedResults.Ok(request.Calculate()))
            .WithSummary("Floral share of each kind of bud cut, with interval and how many more to cut");
        calculations
            .MapPost("/vigour", (VigourRequest request) => TypedResults.Ok(request.Calculate()))
            .WithSummary("How strongly a planting grows, and what can be done");
        return calculations;
    }

    private static Task<Results<Ok<PlantingView>, NotFound, Conflict<EditConflict>>> Save(
        Guid id,
        SaveCount body,
        PlantingStore store,
        CancellationToken cancel
    ) => Saving.Answer(store.SaveAsync(id, body.Version, body.Count, cancel));
}
