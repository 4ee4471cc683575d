using Rama.Core.Prescribe.Issue;
using Rama.Core.Statistics;

namespace Rama.Core.Check;

/// <summary>Buds left against buds asked on the trees of a trunk class.</summary>
/// <param name="Class">The class.</param>
/// <param name="Asked">Floral buds asked for per tree.</param>
/// <param name="Least">Fewest that are near enough.</param>
/// <param name="Most">Most that are near enough.</param>
/// <param name="Left">Floral buds left per tree.</param>
public sealed record CheckedClass(string Class, double Asked, double? Least, double? Most, MeanInterval Left)
{
    internal static IReadOnlyList<CheckedClass> AllOf(IReadOnlyList<CheckedTree> trees, IssuedPrescription? card) =>
        card is null
            ? []
            :
            [
                .. from of in card.Classes
                where of.Number is not null
                let mine = trees.Where(t => t.Class == of.Name).ToList()
                where mine.Count > 0
                select new CheckedClass(
                    of.Name,
                    of.Number!.Value,
                    of.Least,
                    of.Most,
                    MeanInterval.Of([.. mine.Select(t => t.Check.Left!.Value)])
                ),
            ];
}
