using Rama.Core.Explain;

namespace Rama.Core.Count.Floral;

/// <summary>Buds cut, to see which are floral.</summary>
/// <param name="BudCuts">The cuts, at least one.</param>
public sealed record FloralSharesEntry(IReadOnlyList<BudCutEntry> BudCuts)
{
    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public IReadOnlyList<FloralShare> Calculate()
    {
        if (BudCuts.Count == 0)
            throw new UnusableEntryException([new("budCuts", "missing", "Buds cut: please enter at least one line.")]);
        return new SurveyEntry { BudCuts = BudCuts }
            .Read()
            .Shares;
    }
}
