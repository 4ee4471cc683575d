namespace Rama.Core.Explain;

/// <summary>Something typed that cannot be used, told at its field.</summary>
/// <param name="Field">Path of the field in the entry, such as <c>rowSpacing</c> or <c>trees[3].girth</c>.</param>
/// <param name="Code">What is wrong: <c>missing</c>, <c>text</c>, <c>range</c>, <c>unit</c>, <c>whole</c>, <c>long</c>,
/// <c>duplicate</c>, <c>unknown</c>, <c>conflict</c>, <c>list</c>, <c>outside</c>.</param>
/// <param name="Message">What is expected, in English.</param>
/// <param name="Min">Smallest accepted value in <paramref name="Unit"/>, for a range.</param>
/// <param name="Max">Largest accepted value in <paramref name="Unit"/>, for a range.</param>
/// <param name="Unit">Unit of the range.</param>
public sealed record FieldProblem(
    string Field,
    string Code,
    string Message,
    double? Min = null,
    double? Max = null,
    string? Unit = null
);
