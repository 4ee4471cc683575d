using Rama.Core.Explain;

namespace Rama.Core.Estate;

/// <summary>The rows of a planting: which tree positions there are and how they stand.</summary>
/// <param name="Rows">Rows by number; at least one.</param>
public sealed record RowList(IReadOnlyList<TreeRow> Rows)
{
    /// <summary>Tree positions in all rows.</summary>
    public int Places => Rows.Sum(r => r.Trees);

    /// <summary>Places that stand empty or hold a dead tree.</summary>
    public int Missing => Rows.Sum(r => r.Missing.Count);

    /// <summary>Places replanted and not bearing yet.</summary>
    public int Replants => Rows.Sum(r => r.Replants.Count);

    /// <summary>Trees that are not picked.</summary>
    public int Pollinizers => Rows.Sum(r => r.Pollinizers.Count);

    /// <summary>Trees that are to be grubbed.</summary>
    public int ToGrub => Rows.Sum(r => r.ToGrub.Count);

    /// <summary>Trees that are pruned and picked, by row number.</summary>
    public IReadOnlyDictionary<int, double> BearingByRow =>
        Rows.GroupBy(r => r.Number)
            .ToDictionary(
                g => g.Key,
                g => (double)g.Sum(r => r.Trees - r.Missing.Count - r.Replants.Count - r.Pollinizers.Count)
            );

    /// <summary>Share of the places without a bearing tree: missing and replants.</summary>
    public double MissingShare => (double)(Missing + Replants) / Places;

    /// <summary>Share of the grown trees that are not picked.</summary>
    public double PollinizerShare =>
        Places == Missing + Replants ? 0 : (double)Pollinizers / (Places - Missing - Replants);

    /// <summary>The form with its shares as the rows tell them.</summary>
    internal PlantingForm Refine(PlantingForm form) =>
        form with
        {
            MissingShare = MissingShare,
            PollinizerShare = PollinizerShare,
        };

    /// <summary>The arithmetic of the two shares.</summary>
    internal IReadOnlyList<Step> Steps =>
        [
            new(
                "density.missing-listed",
                "(missing + replants) ÷ tree positions listed",
                new("missing", MissingShare, "share"),
                [
                    new("missing", Missing, "tree"),
                    new("replants", Replants, "tree"),
                    new("tree positions listed", Places, "tree"),
                ],
                Sources.RowList
            ),
            new(
                "density.pollinizers-listed",
                "pollinizers ÷ (tree positions listed − missing − replants)",
                new("pollinizers", PollinizerShare, "share"),
                [
                    new("pollinizers", Pollinizers, "tree"),
                    new("missing", Missing, "tree"),
                    new("replants", Replants, "tree"),
                    new("tree positions listed", Places, "tree"),
                ],
                Sources.RowList
            ),
        ];

    /// <summary>
    /// Lines whose trees overlap those of an earlier line: the same row number and a common tree number.
    /// </summary>
    public static IEnumerable<(int Line, int Earlier)> Overlaps(IReadOnlyList<TreeRow?> rows)
    {
        var byNumber = rows.Select((row, line) => (row, line))
            .Where(r => r.row is not null)
            .GroupBy(r => r.row!.Number);
        foreach (var same in byNumber)
        {
            // Sorted by first tree, a row can only overlap one whose end has been reached furthest so far.
            (TreeRow Row, int Line)? furthest = null;
            foreach (var (row, line) in same.OrderBy(r => r.row!.FirstTree).ThenBy(r => r.line))
            {
                if (furthest is { } before && row!.FirstTree <= before.Row.LastTree)
                    yield return (Math.Max(line, before.Line), Math.Min(line, before.Line));
                if (furthest is null || row!.LastTree > furthest.Value.Row.LastTree)
                    furthest = (row!, line);
            }
        }
    }
}
