using Microsoft.CodeAnalysis;

namespace Rama.Mutations;

/// <summary>One small fault that could be planted in a file.</summary>
/// <param name="Kind">What sort of fault, as <c>boundary</c>.</param>
/// <param name="Place">The piece of code it takes the place of.</param>
/// <param name="Faulty">The faulty piece.</param>
internal sealed record Fault(string Kind, SyntaxNode Place, SyntaxNode Faulty)
{
    /// <summary>The file with the fault in it.</summary>
    public SyntaxTree Plant()
    {
        var tree = Place.SyntaxTree;
        return tree.WithRootAndOptions(tree.GetRoot().ReplaceNode(Place, Faulty), tree.Options);
    }

    /// <summary>Where it is and what it does, on one line.</summary>
    /// <param name="root">Folder the file is told from.</param>
    public string Tell(string root)
    {
        var line = Place.GetLocation().GetLineSpan().StartLinePosition.Line + 1;
        var file = Path.GetRelativePath(root, Place.SyntaxTree.FilePath);
        return $"{file}:{line} {Kind} `{Short(Place)}` -> `{Short(Faulty)}`";
    }

    private static string Short(SyntaxNode node)
    {
        var words = string.Join(' ', node.ToString().Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        return words.Length <= 90 ? words : words[..87] + "...";
    }
}
