namespace Rama.Data.Exchange.Tables;

/// <summary>A cell that says yes or nothing.</summary>
internal static class YesNo
{
    private static readonly HashSet<string> Yes = new(StringComparer.OrdinalIgnoreCase)
    {
        "yes",
        "y",
        "x",
        "1",
        "true",
        "sí",
        "si",
    };

    private static readonly HashSet<string> No = new(StringComparer.OrdinalIgnoreCase) { "no", "n", "0", "false", "-" };

    public static string? Write(bool value) => value ? "yes" : null;

    /// <summary>Where nothing said is something else than no.</summary>
    public static string? Write(bool? value) =>
        value switch
        {
            true => "yes",
            false => "no",
            null => null,
        };

    public static bool Read(LineReader line, string field) => ReadOrNothing(line, field) ?? false;

    /// <summary>Where nothing said is something else than no.</summary>
    public static bool? ReadOrNothing(LineReader line, string field)
    {
        var text = line.Text(field);
        if (text is null)
            return null;
        if (No.Contains(text))
            return false;
        if (!Yes.Contains(text))
            line.Problems.Add(field, "text", $"Expected yes, no or nothing, got “{text}”.");
        return true;
    }
}
