using System.Text.RegularExpressions;
using Rama.Core.Explain;

namespace Rama.Data.Exchange;

/// <summary>
/// Takes lines that together make up lists, such as the rows of a planting: each list is merged with what is known by
/// key, and read by the core as a whole.
/// </summary>
internal abstract partial class GroupTaking<TGroup, TEntry>(ImportTarget target) : ITaking
    where TGroup : notnull
    where TEntry : class
{
    private readonly Dictionary<TGroup, Dictionary<object, (int Line, TEntry Entry)>> _groups = [];
    private readonly HashSet<TGroup> _spoilt = [];
    private readonly HashSet<TGroup> _changed = [];

    protected ImportTarget Target => target;

    /// <summary>The list a line belongs to; null, with the problem told, where there is none.</summary>
    protected abstract TGroup? GroupOf(LineReader line);

    /// <summary>What tells an entry from the others of its list.</summary>
    protected abstract object Key(TEntry entry);

    /// <summary>What is known of a list.</summary>
    protected abstract IReadOnlyList<TEntry> Known(TGroup group);

    /// <summary>The entry of a line, over what is known.</summary>
    protected abstract TEntry Entry(LineReader line, TEntry? known);

    /// <summary>The key of a line, before it is known whether there is something under it.</summary>
    protected abstract object? KeyOf(LineReader line);

    /// <summary>
    /// Takes the whole list over; throws where the core cannot read it, its paths counting the entries given.
    /// </summary>
    protected abstract void Save(TGroup group, IReadOnlyList<TEntry> entries);

    public void ReadLine(LineReader line)
    {
        var group = GroupOf(line);
        if (group is null)
            return;
        if (!_groups.TryGetValue(group, out var entries))
        {
            _groups.Add(group, entries = []);
            foreach (var known in Known(group))
                entries[Key(known)] = (0, known);
        }
        var key = KeyOf(line);
        if (key is not null && entries.TryGetValue(key, out var before) && before.Line > 0)
        {
            target.Add(line.LineNumber, "", "duplicate", $"Line {before.Line} has the same key.");
            _spoilt.Add(group);
            return;
        }
        var old = key is null ? null : entries.GetValueOrDefault(key).Entry;
        var entry = Entry(line, old);
        if (line.Problems.Problems.Count > 0)
        {
            _spoilt.Add(group);
            return;
        }
        // Without a key the core says what is missing; the line keeps a place of its own until then.
        entries[key ?? line] = (line.LineNumber, entry);
        var outcome =
            old is null ? LineOutcome.Added
            : old.Equals(entry) ? LineOutcome.Same
            : LineOutcome.Changed;
        target.Was(outcome);
        if (outcome != LineOutcome.Same)
            _changed.Add(group);
    }

    public virtual void Finish()
    {
        foreach (var (group, entries) in _groups)
        {
            // A list that says what is known is left alone: writing it would take its version from who has it open.
            if (_spoilt.Contains(group) || !_changed.Contains(group))
                continue;
            var all = entries.Values.ToList();
            try
            {
                Save(group, [.. all.Select(e => e.Entry)]);
            }
            catch (UnusableEntryException e)
            {
                foreach (var problem in e.Problems)
                {
                    var place = Indexed().Match(problem.Field);
                    var line = place.Success
                        ? all[int.Parse(place.Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture)].Line
                        : all.Max(a => a.Line);
                    target.Add(line, problem with { Field = place.Success ? place.Groups[2].Value : problem.Field });
                }
            }
        }
    }

    /// <summary>The number of a row or tree as a key.</summary>
    protected static object? Whole(params double?[] numbers) =>
        numbers.Contains(null) ? null : string.Join('/', numbers);

    [GeneratedRegex(@"^\w+\[(\d+)\]\.(.+)$")]
    private static partial Regex Indexed();
}
