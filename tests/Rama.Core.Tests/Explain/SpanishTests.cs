using System.Text.Json;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Rama.Core.Tests.Explain;

/// <summary>
/// Whatever the core may say in English has its Spanish, read from its sources: the demo says only a part of it.
/// </summary>
public sealed class SpanishTests
{
    private static readonly string Root = RootFrom(AppContext.BaseDirectory);

    private static readonly HashSet<string> Told =
    [
        .. JsonDocument
            .Parse(File.ReadAllText(Path.Combine(Root, "web/src/words/es.json")))
            .RootElement.EnumerateObject()
            .Select(w => w.Name),
    ];

    private static readonly CSharpCompilation Sources = Read();

    private static string RootFrom(string folder) =>
        File.Exists(Path.Combine(folder, "Rama.slnx")) ? folder : RootFrom(Path.GetDirectoryName(folder)!);

    private static CSharpCompilation Read() =>
        CSharpCompilation.Create(
            "Rama.Core",
            Directory
                .EnumerateFiles(Path.Combine(Root, "src/Rama.Core"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !f.Contains("/bin/", StringComparison.Ordinal))
                .Where(f =>
                    !f.Contains("/obj/", StringComparison.Ordinal)
                    || f.EndsWith("GlobalUsings.g.cs", StringComparison.Ordinal)
                )
                .GroupBy(Path.GetFileName)
                .SelectMany(g => g.Key == "Rama.Core.GlobalUsings.g.cs" ? g.Take(1) : g)
                .Select(f => CSharpSyntaxTree.ParseText(File.ReadAllText(f), path: f)),
            ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!)
                .Split(Path.PathSeparator)
                .Where(f => !Path.GetFileName(f).StartsWith("Rama.", StringComparison.Ordinal))
                .Select(f => MetadataReference.CreateFromFile(f))
        );

    // Every place where something is made, by its type.
    private static readonly ILookup<string, (SemanticModel Model, ArgumentListSyntax Arguments)> Made = (
        from tree in Sources.SyntaxTrees
        let model = Sources.GetSemanticModel(tree)
        from creation in tree.GetRoot().DescendantNodes().OfType<BaseObjectCreationExpressionSyntax>()
        where creation.ArgumentList is { Arguments.Count: > 0 }
        select (Type: TypeOf(model, creation) ?? "", Made: (model, creation.ArgumentList!))
    ).ToLookup(m => m.Type, m => m.Made);

    private static string? TypeOf(SemanticModel model, ExpressionSyntax expression) =>
        model.GetTypeInfo(expression).Type?.Name is { Length: > 0 } name
            ? name
            : model.GetTypeInfo(expression).ConvertedType?.Name;

    // A text may be chosen among several.
    private static IEnumerable<string> Texts(SemanticModel model, ExpressionSyntax expression) =>
        model.GetConstantValue(expression) is { HasValue: true, Value: string text }
            ? [text]
            : expression switch
            {
                ConditionalExpressionSyntax c => Texts(model, c.WhenTrue).Concat(Texts(model, c.WhenFalse)),
                SwitchExpressionSyntax s => s.Arms.SelectMany(a => Texts(model, a.Expression)),
                ParenthesizedExpressionSyntax p => Texts(model, p.Expression),
                IdentifierNameSyntax name => Declared(model, name).SelectMany(e => Texts(model, e)),
                _ => [],
            };

    private static IEnumerable<ExpressionSyntax> Declared(SemanticModel model, IdentifierNameSyntax name) =>
        model.GetSymbolInfo(name).Symbol is ILocalSymbol { DeclaringSyntaxReferences: [var at, ..] }
        && at.GetSyntax() is VariableDeclaratorSyntax { Initializer.Value: var value }
            ? [value]
            : [];

    // The figures of a step, made in it or before it.
    private static IEnumerable<string> Figures(SemanticModel model, ExpressionSyntax expression) =>
        expression switch
        {
            BaseObjectCreationExpressionSyntax { ArgumentList.Arguments: [var name, ..] } made
                when TypeOf(model, made) == "Figure" => Texts(model, name.Expression),
            IdentifierNameSyntax name => Declared(model, name).SelectMany(e => Figures(model, e)),
            ConditionalExpressionSyntax c => Figures(model, c.WhenTrue).Concat(Figures(model, c.WhenFalse)),
            CollectionExpressionSyntax list => list.Elements.SelectMany(e =>
                e is ExpressionElementSyntax one ? Figures(model, one.Expression)
                : e is SpreadElementSyntax more ? Figures(model, more.Expression)
                : []
            ),
            _ => [],
        };

    private static void AllTold(IReadOnlyCollection<string> said, int atLeast)
    {
        // Were the sources not found or read, nothing would be missing.
        Assert.True(said.Count >= atLeast, $"only {said.Count} found");
        // A symbol, such as R², is one in any language.
        Assert.Empty(said.Where(s => s.Length > 2).Except(Told).Order());
    }

    [Fact]
    public void Every_formula_and_the_figures_in_it() =>
        AllTold(
            [
                .. Made["Step"].SelectMany(s => Texts(s.Model, s.Arguments.Arguments[1].Expression)),
                .. Made["Step"]
                    .SelectMany(s => s.Arguments.Arguments.Skip(2).SelectMany(a => Figures(s.Model, a.Expression))),
            ],
            atLeast: 300
        );

    [Fact]
    public void Every_notice() =>
        AllTold(
            [
                .. Made["Notice"]
                    .SelectMany(n => Texts(n.Model, n.Arguments.Arguments[0].Expression))
                    .Where(code => code.Length > 0)
                    .Select(code => $"notice:{code}"),
            ],
            atLeast: 60
        );
}
