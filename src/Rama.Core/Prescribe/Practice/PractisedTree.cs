using System.Globalization;
using Rama.Core.Explain;

namespace Rama.Core.Prescribe.Practice;

/// <summary>A tree somebody cut for practice, as it was kept.</summary>
/// <param name="Worker">Who cut it.</param>
/// <param name="Pruner">Name or number the crew knows them by.</param>
/// <param name="Planting">Planting it stands in.</param>
/// <param name="System">Training system of the planting.</param>
/// <param name="Season">Season it was cut in.</param>
/// <param name="Tree">Which tree of the planting: trunk class and number, or its place.</param>
/// <param name="On">Day it was cut.</param>
/// <param name="Score">0 to 100.</param>
/// <param name="Remarks">What was said of it; none where nobody asks.</param>
public sealed record PractisedTree(
    Guid Worker,
    string Pruner,
    Guid Planting,
    string System,
    int Season,
    string Tree,
    DateOnly On,
    int Score,
    IReadOnlyList<Notice> Remarks
)
{
    /// <summary>Name of a tree of a class, as it is kept.</summary>
    /// <param name="trunk">Its trunk class.</param>
    /// <param name="number">Which of the class it is.</param>
    public static string NameOf(string trunk, int number) => $"{trunk} {number}";

    /// <summary>Class and number of a tree of a class, from its name; null for one told by its place.</summary>
    public (string Class, int Number)? InClass =>
        Tree.Split(' ') is [var trunk, var text] && int.TryParse(text, CultureInfo.InvariantCulture, out var number)
            ? (trunk, number)
            : null;

    /// <summary>The trees that count, in the order given.</summary>
    /// <param name="latestFirst">Trees, the latest first.</param>
    /// <remarks>A tree cut again and again in a season counts once, as it was cut first: by then nobody had told its
    /// cuts. Another season's tree is another tree.</remarks>
    public static IReadOnlyList<PractisedTree> CountedOnce(IEnumerable<PractisedTree> latestFirst) =>
        [.. latestFirst.Reverse().DistinctBy(t => (t.Worker, t.Season, t.Planting, t.Tree)).Reverse()];
}
