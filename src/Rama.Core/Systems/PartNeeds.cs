namespace Rama.Core.Systems;

/// <summary>What a step or question names of its system, which has to go along where it is taken over into
/// another.</summary>
/// <param name="Settings">Settings it names.</param>
/// <param name="Terms">Rules with a name it names.</param>
public sealed record PartNeeds(IReadOnlyList<string> Settings, IReadOnlyList<string> Terms)
{
    /// <summary>What a step needs: named by its rules, by the terms in them, and in its words.</summary>
    public static PartNeeds Of(TrainingSystem system, CuttingStep step)
    {
        var holes = new[] { step.LookFor, step.How }
            .SelectMany(text => new[] { text.En, text.Es })
            .SelectMany(text => SettingWords.Hole().Matches(text).Select(m => m.Groups[1].Value))
            .ToHashSet();
        return new(
            [.. system.Settings.Select(s => s.Id).Where(s => holes.Contains(s) || system.Names(step, s))],
            [.. system.Terms.Keys.Where(t => system.Names(step, t))]
        );
    }

    /// <summary>What a question needs: the settings its answers change.</summary>
    public static PartNeeds Of(TrainingSystem system, PruningQuestion question) =>
        new(
            [
                .. system
                    .Settings.Select(s => s.Id)
                    .Where(s => question.Options.Any(o => o.Sets?.ContainsKey(s) == true)),
            ],
            []
        );
}
