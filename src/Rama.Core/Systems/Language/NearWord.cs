namespace Rama.Core.Systems.Language;

/// <summary>The known word somebody may have meant.</summary>
internal static class NearWord
{
    // So many letters of ten may be wrong.
    private const double MostWrong = 0.34;

    // No word of a pack is longer; a longer one is nobody's slip.
    private const int Longest = 60;

    /// <summary>The known word nearest to one that is not known, by the letters to be changed, left out, put in or
    /// swapped (the distance of Damerau, in the form that changes no place twice); null where none is near.</summary>
    public static string? Of(string word, IEnumerable<string> known)
    {
        var (best, least) = ((string?)null, MostWrong * word.Length + 0.5);
        if (word.Length > Longest)
            return null;
        foreach (var other in known.Where(k => k.Length <= Longest).Order(StringComparer.Ordinal))
            if (Math.Abs(other.Length - word.Length) <= least && Between(word, other) is var off && off < least)
                (best, least) = (other, off);
        return best;
    }

    private static int Between(string a, string b)
    {
        var rows = new int[a.Length + 1, b.Length + 1];
        for (var i = 0; i <= a.Length; i++)
            rows[i, 0] = i;
        for (var j = 0; j <= b.Length; j++)
            rows[0, j] = j;
        for (var i = 1; i <= a.Length; i++)
        for (var j = 1; j <= b.Length; j++)
        {
            var wrong = a[i - 1] == b[j - 1] ? 0 : 1;
            rows[i, j] = Math.Min(Math.Min(rows[i - 1, j] + 1, rows[i, j - 1] + 1), rows[i - 1, j - 1] + wrong);
            if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                rows[i, j] = Math.Min(rows[i, j], rows[i - 2, j - 2] + 1);
        }
        return rows[a.Length, b.Length];
    }
}
