using Rama.Core.Check;
using Rama.Core.Explain;
using Rama.Web.Passes;

namespace Rama.Web.Check;

/// <summary>What the checks of a planting say at a glance.</summary>
/// <param name="Kind">What is said of the planting; of a crew in it where something is said against one alone.</param>
/// <param name="Sentence">The sentence on the planting.</param>
/// <param name="Off">How far from what was asked in the mean, as a share.</param>
/// <param name="Counts">Trees it rests on.</param>
/// <param name="Against">Crews something is said against.</param>
public sealed record CheckGlance(
    VerdictKind Kind,
    Notice Sentence,
    double Off,
    int Counts,
    IReadOnlyList<CrewAgainst> Against
)
{
    internal static CheckGlance? Of(CheckedPlanting? of, EstateYear year)
    {
        if (of?.Says.All is not { Kind: not VerdictKind.None } all)
            return null;
        List<CrewAgainst> against =
        [
            .. from hand in of.Says.Crews
            where hand.Verdict.IsAgainst
            from crew in year.Crews
            where crew.Record.Id == hand.Who
            select new CrewAgainst(crew.Record.Name, ToldVerdict.Of(hand.Verdict)!),
        ];
        var kind = all.IsAgainst || against.Count == 0 ? all.Kind : against[0].Told.Kind;
        return new(kind, all.Sentence, all.Off, all.Counts, against);
    }
}

/// <summary>A crew something is said against.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Told">What is said of it.</param>
public sealed record CrewAgainst(string Name, ToldVerdict Told);
