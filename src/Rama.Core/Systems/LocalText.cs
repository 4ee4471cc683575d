namespace Rama.Core.Systems;

/// <summary>A text in the languages Rama prints in.</summary>
/// <param name="En">English.</param>
/// <param name="Es">Spanish.</param>
public sealed record LocalText(string En, string Es)
{
    /// <summary>Codes of the languages Rama prints in.</summary>
    public static IReadOnlyList<string> Languages { get; } = ["en", "es"];

    /// <summary>The text in a language of <see cref="Languages"/>; English for any other.</summary>
    public string In(string language) => language == "es" ? Es : En;
}
