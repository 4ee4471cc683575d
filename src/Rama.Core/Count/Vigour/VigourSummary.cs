using Rama.Core.Crops;
using Rama.Core.Explain;

namespace Rama.Core.Count.Vigour;

/// <summary>How strongly a planting grows.</summary>
public enum GrowthVigour
{
    /// <summary>Too weakly.</summary>
    Weak,

    /// <summary>As it should.</summary>
    Balanced,

    /// <summary>Too strongly.</summary>
    Strong,
}

/// <summary>What a vigour walk says about a planting.</summary>
/// <param name="Marks">Marks made.</param>
/// <param name="ExtensionCm">Middle shoot extension, cm; null where none was measured.</param>
/// <param name="HeightM">Mean height, m; null where none was measured.</param>
/// <param name="Vigour">How strongly it grows; null where nothing tells.</param>
/// <param name="Reason">Why.</param>
/// <param name="Shade">The latest sign of shade seen on at least a quarter of the places where it was looked
/// for.</param>
/// <param name="Gaps">Empty places marked.</param>
/// <param name="Conditions">How many trees or rows have each condition.</param>
/// <param name="LookAgain">The next day to look again; null where none is set.</param>
/// <param name="Advice">What can be done, the surest first.</param>
public sealed record VigourSummary(
    int Marks,
    double? ExtensionCm,
    double? HeightM,
    GrowthVigour? Vigour,
    Notice? Reason,
    ShadeSign? Shade,
    int Gaps,
    IReadOnlyDictionary<TreeCondition, int> Conditions,
    DateOnly? LookAgain,
    IReadOnlyList<VigourAdvice> Advice
)
{
    private const double AQuarter = 0.25;

    /// <summary>Sums up a walk; null where nothing was marked.</summary>
    /// <param name="marks">What was seen.</param>
    /// <param name="habit">How the crop bears: it says how long shoots should grow, and stone fruit is cut in
    /// dry spells only.</param>
    public static VigourSummary? Of(IReadOnlyList<VigourMark> marks, BearingHabit habit = BearingHabit.MixedBud)
    {
        if (marks.Count == 0)
            return null;
        var lengths = marks.Select(m => m.ExtensionCm).OfType<double>().Order().ToList();
        double? extension =
            lengths.Count == 0 ? null : (lengths[(lengths.Count - 1) / 2] + lengths[lengths.Count / 2]) / 2;
        var (vigour, reason) = Judge(
            extension,
            GrowthLimits.Of(habit),
            [.. marks.Select(m => m.Wood).OfType<WoodSign>()]
        );
        var shade = marks.Select(m => m.Shade).OfType<ShadeSign>().ToList();
        var isStoneFruit = habit is BearingHabit.SpurFlowerBud or BearingHabit.OneYearShoot;
        var conditions = marks.SelectMany(m => m.Conditions).CountBy(c => c).ToDictionary();
        return new(
            marks.Count,
            extension,
            marks.Select(m => m.HeightM).Average(),
            vigour,
            reason,
            shade.Count == 0
                ? null
                : Enum.GetValues<ShadeSign>().Last(s => shade.Count(seen => seen >= s) >= AQuarter * shade.Count),
            marks.Count(m => m.Gap),
            conditions,
            marks.Select(m => m.LookAgain).Min(),
            VigourAdvices.For(vigour, conditions.Keys, isStoneFruit)
        );
    }

    private static (GrowthVigour?, Notice?) Judge(double? extension, GrowthLimits limits, List<WoodSign> wood)
    {
        int blind = wood.Count(w => w == WoodSign.Blind),
            uprights = wood.Count(w => w == WoodSign.Uprights);
        if (extension is { } length)
        {
            Figure figure = new("shoot extension", length, "cm");
            // Shoots can be of a middling length on a tree that stands full of uprights, and then the uprights are
            // right.
            if (length > limits.StrongAboveCm || uprights > wood.Count / 2.0)
                return (
                    GrowthVigour.Strong,
                    new("vigour.strong", $"Shoots of {length:0} cm: the trees grow too strongly.", figure)
                );
            if (length < limits.WeakBelowCm)
                return (
                    GrowthVigour.Weak,
                    new("vigour.weak", $"Shoots of {length:0} cm: the trees grow too weakly.", figure)
                );
            return (
                GrowthVigour.Balanced,
                new("vigour.balanced", $"Shoots of {length:0} cm: growth and crop are in balance.", figure)
            );
        }
        if (wood.Count == 0)
            return (null, null);
        Figure marked = new("marks", wood.Count, "1");
        return uprights > wood.Count / 2.0
                ? (
                    GrowthVigour.Strong,
                    new("vigour.uprights", "Uprights in most places: the trees grow too strongly.", marked)
                )
            : blind > wood.Count / 2.0
                ? (
                    GrowthVigour.Weak,
                    new("vigour.blind", "Short, thin, blind wood in most places: the trees grow too weakly.", marked)
                )
            : (
                GrowthVigour.Balanced,
                new("vigour.pencil", "Fruiting shoots of a pencil's thickness: growth and crop are in balance.", marked)
            );
    }
}
