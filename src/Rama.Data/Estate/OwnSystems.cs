using Rama.Core.Systems;

namespace Rama.Data.Estate;

/// <summary>
/// Training systems of estates' own as they were last read, so that a request reads a rule pack again only where its
/// version has changed. The packs longest unused go first.
/// </summary>
public sealed class OwnSystems
{
    /// <summary>Packs kept; each takes some ten kilobytes.</summary>
    private const int Most = 1_000;

    private readonly Lock _lock = new();
    private readonly Dictionary<Key, Kept> _kept = [];
    private long _asked;

    /// <summary>The system of that version; null where it is not kept.</summary>
    /// <param name="estate">Whose it is.</param>
    /// <param name="name">Its identifier.</param>
    /// <param name="version">Its row version.</param>
    public TrainingSystem? Find(Guid estate, string name, uint version)
    {
        lock (_lock)
        {
            if (!_kept.TryGetValue(new(estate, name, version), out var kept))
                return null;
            kept.Asked = ++_asked;
            return kept.System;
        }
    }

    /// <summary>Keeps a system.</summary>
    /// <param name="estate">Whose it is.</param>
    /// <param name="name">Its identifier.</param>
    /// <param name="version">Its row version.</param>
    /// <param name="system">The system.</param>
    public void Keep(Guid estate, string name, uint version, TrainingSystem system)
    {
        lock (_lock)
        {
            _kept[new(estate, name, version)] = new Kept(system, ++_asked);
            if (_kept.Count > Most)
                foreach (var old in _kept.OrderBy(k => k.Value.Asked).Take(_kept.Count - Most / 2).ToList())
                    _kept.Remove(old.Key);
        }
    }

    private readonly record struct Key(Guid Estate, string Name, uint Version);

    private sealed class Kept(TrainingSystem system, long asked)
    {
        public TrainingSystem System => system;

        public long Asked { get; set; } = asked;
    }
}
