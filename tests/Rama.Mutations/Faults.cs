using System.Globalization;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace Rama.Mutations;

/// <summary>The small faults a programmer makes, found wherever a file has room for one.</summary>
internal static class Faults
{
    private static readonly Dictionary<SyntaxKind, (string Kind, SyntaxKind To)[]> Operators = new()
    {
        [SyntaxKind.AddExpression] = [("arithmetic", SyntaxKind.SubtractExpression)],
        [SyntaxKind.SubtractExpression] = [("arithmetic", SyntaxKind.AddExpression)],
        [SyntaxKind.MultiplyExpression] = [("arithmetic", SyntaxKind.DivideExpression)],
        [SyntaxKind.DivideExpression] = [("arithmetic", SyntaxKind.MultiplyExpression)],
        [SyntaxKind.LessThanExpression] =
        [
            ("boundary", SyntaxKind.LessThanOrEqualExpression),
            ("compare", SyntaxKind.GreaterThanExpression),
        ],
        [SyntaxKind.LessThanOrEqualExpression] =
        [
            ("boundary", SyntaxKind.LessThanExpression),
            ("compare", SyntaxKind.GreaterThanExpression),
        ],
        [SyntaxKind.GreaterThanExpression] =
        [
            ("boundary", SyntaxKind.GreaterThanOrEqualExpression),
            ("compare", SyntaxKind.LessThanExpression),
        ],
        [SyntaxKind.GreaterThanOrEqualExpression] =
        [
            ("boundary", SyntaxKind.GreaterThanExpression),
            ("compare", SyntaxKind.LessThanExpression),
        ],
        [SyntaxKind.EqualsExpression] = [("equality", SyntaxKind.NotEqualsExpression)],
        [SyntaxKind.NotEqualsExpression] = [("equality", SyntaxKind.EqualsExpression)],
        [SyntaxKind.LogicalAndExpression] = [("logic", SyntaxKind.LogicalOrExpression)],
        [SyntaxKind.LogicalOrExpression] = [("logic", SyntaxKind.LogicalAndExpression)],
    };

    private static readonly Dictionary<string, string> Calls = new()
    {
        ["Min"] = "Max",
        ["Max"] = "Min",
        ["MinBy"] = "MaxBy",
        ["MaxBy"] = "MinBy",
        ["Sum"] = "Max",
        ["Average"] = "Max",
        ["First"] = "Last",
        ["Last"] = "First",
        ["FirstOrDefault"] = "LastOrDefault",
        ["LastOrDefault"] = "FirstOrDefault",
        ["Any"] = "All",
        ["All"] = "Any",
        ["OrderBy"] = "OrderByDescending",
        ["OrderByDescending"] = "OrderBy",
        ["ThenBy"] = "ThenByDescending",
        ["ThenByDescending"] = "ThenBy",
        ["Floor"] = "Ceiling",
        ["Ceiling"] = "Floor",
        ["Sin"] = "Cos",
        ["Cos"] = "Sin",
    };

    /// <summary>All faults a file has room for, in the order of its lines.</summary>
    /// <param name="tree">The file.</param>
    public static IEnumerable<Fault> In(SyntaxTree tree) =>
        tree.GetRoot().DescendantNodes(n => !IsWords(n)).Where(n => !IsWords(n)).SelectMany(In);

    // Words for people are held by tests of their own, and attributes by the compiler.
    private static bool IsWords(SyntaxNode node) =>
        node
            is InterpolatedStringExpressionSyntax
                or AttributeListSyntax
                or ThrowExpressionSyntax
                or ThrowStatementSyntax;

    private static IEnumerable<Fault> In(SyntaxNode node) =>
        node switch
        {
            BinaryExpressionSyntax { RawKind: (int)SyntaxKind.CoalesceExpression } choice =>
            [
                new("coalesce", choice, Alone(choice.Right)),
            ],
            BinaryExpressionSyntax binary => OfOperator(binary),
            InvocationExpressionSyntax call => OfCall(call),
            LiteralExpressionSyntax literal when literal.IsKind(SyntaxKind.NumericLiteralExpression) => OfNumber(
                literal
            ),
            ConditionalExpressionSyntax choice => [new("condition", choice.Condition, Not(choice.Condition))],
            IfStatementSyntax branch =>
            [
                new("condition", branch.Condition, Not(branch.Condition)),
                .. branch.Else is null ? OfStatement(branch) : [],
            ],
            ExpressionStatementSyntax statement => OfStatement(statement),
            _ => [],
        };

    private static IEnumerable<Fault> OfOperator(BinaryExpressionSyntax binary) =>
        Operators.TryGetValue(binary.Kind(), out var faults)
            ? faults.Select(f => new Fault(f.Kind, binary, Alone(With(binary, f.To))))
            : [];

    private static BinaryExpressionSyntax With(BinaryExpressionSyntax binary, SyntaxKind kind) =>
        SyntaxFactory.BinaryExpression(kind, Alone(binary.Left), Alone(binary.Right));

    private static IEnumerable<Fault> OfCall(InvocationExpressionSyntax call) =>
        call.Expression is MemberAccessExpressionSyntax { Name: IdentifierNameSyntax name } member
        && Calls.TryGetValue(name.Identifier.Text, out var other)
            ? [new("call", call, call.WithExpression(member.WithName(SyntaxFactory.IdentifierName(other))))]
            : [];

    // Zero and rounding's crumbs are mostly as good as their neighbours. A tenth more is seldom met by a test that has
    // any tolerance; a fifth ought to be.
    private static IEnumerable<Fault> OfNumber(LiteralExpressionSyntax literal)
    {
        var faulty = literal.Token.Value switch
        {
            int n when n != 0 => SyntaxFactory.Literal(n + Math.Max(1, n / 5)),
            double d when Math.Abs(d) > 1e-4 => SyntaxFactory.Literal(
                (d * 1.2).ToString("R", CultureInfo.InvariantCulture) + "d",
                d * 1.2
            ),
            _ => default,
        };
        return faulty == default ? [] : [new("number", literal, literal.WithToken(faulty))];
    }

    private static IEnumerable<Fault> OfStatement(StatementSyntax statement) =>
        statement.Parent is BlockSyntax ? [new("left out", statement, SyntaxFactory.EmptyStatement())] : [];

    private static ExpressionSyntax Not(ExpressionSyntax condition) =>
        SyntaxFactory.PrefixUnaryExpression(SyntaxKind.LogicalNotExpression, Alone(condition));

    private static ExpressionSyntax Alone(ExpressionSyntax expression) =>
        SyntaxFactory.ParenthesizedExpression(expression.WithoutTrivia());
}
