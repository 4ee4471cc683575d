using Rama.Core.Explain;
using Rama.Core.Quantities;

namespace Rama.Core.Prescribe;

/// <summary>What a crew measures with, having nothing else in the hand.</summary>
public enum BodyPart
{
    /// <summary>Width of a finger.</summary>
    Finger,

    /// <summary>Width of the thumb.</summary>
    Thumb,

    /// <summary>Width of the hand.</summary>
    Hand,

    /// <summary>Height of the knee.</summary>
    Knee,

    /// <summary>Height of the thigh.</summary>
    Thigh,

    /// <summary>Height of the shoulder.</summary>
    Shoulder,

    /// <summary>Height the hand reaches.</summary>
    Reach,
}

/// <summary>A crew's own measures, as typed; those left out are not used.</summary>
public sealed record BodyMarksEntry
{
    /// <summary>Width of a finger.</summary>
    public Amount? Finger { get; init; }

    /// <summary>Width of the thumb.</summary>
    public Amount? Thumb { get; init; }

    /// <summary>Width of the hand.</summary>
    public Amount? Hand { get; init; }

    /// <summary>Height of the knee.</summary>
    public Amount? Knee { get; init; }

    /// <summary>Height of the thigh.</summary>
    public Amount? Thigh { get; init; }

    /// <summary>Height of the shoulder.</summary>
    public Amount? Shoulder { get; init; }

    /// <summary>Height the hand reaches.</summary>
    public Amount? Reach { get; init; }

    /// <summary>Reads the entry.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public BodyMarks Read()
    {
        var reader = new EntryReader();
        Dictionary<BodyPart, double> lengths = [];
        void Take(BodyPart part, string field, string label, Amount? typed, double leastM, double mostM)
        {
            if (reader.Optional(field, label, typed, Units.Length, leastM, mostM) is { } metres)
                lengths[part] = metres;
        }
        Take(BodyPart.Finger, "finger", "Finger", Finger, 0.008, 0.04);
        Take(BodyPart.Thumb, "thumb", "Thumb", Thumb, 0.01, 0.05);
        Take(BodyPart.Hand, "hand", "Hand", Hand, 0.05, 0.2);
        Take(BodyPart.Knee, "knee", "Knee", Knee, 0.3, 0.8);
        Take(BodyPart.Thigh, "thigh", "Thigh", Thigh, 0.5, 1.2);
        Take(BodyPart.Shoulder, "shoulder", "Shoulder", Shoulder, 1, 1.9);
        Take(BodyPart.Reach, "reach", "Reach", Reach, 1.5, 3);
        reader.ThrowIfAny();
        return new(lengths);
    }
}

/// <summary>A length told by a part of the body.</summary>
/// <param name="Part">The part.</param>
/// <param name="Times">How many of them; 1 for a height.</param>
public sealed record BodyMark(BodyPart Part, int Times);

/// <summary>A crew's own measures.</summary>
/// <param name="LengthsM">Metres by part of the body.</param>
public sealed record BodyMarks(IReadOnlyDictionary<BodyPart, double> LengthsM)
{
    // Near enough to cut by, and no more of a part than is laid side by side at a glance: common practice, no source.
    private const double Near = 0.15,
        HeightsFromM = 0.4;
    private const int MostTimes = 4;

    /// <summary>None chosen.</summary>
    public static readonly BodyMarks None = new(new Dictionary<BodyPart, double>());

    /// <summary>The part that tells a length best; null where none comes within 15 %.</summary>
    /// <param name="lengthM">Length, metres: from 0.4 m a height above the ground, below it a width or a stub.</param>
    public BodyMark? Tell(double lengthM)
    {
        var (best, off) = ((BodyMark?)null, Near);
        foreach (var (part, one) in LengthsM.OrderBy(l => l.Key))
        {
            if (part >= BodyPart.Knee != lengthM >= HeightsFromM)
                continue;
            var times = part >= BodyPart.Knee ? 1 : (int)Math.Clamp(Math.Round(lengthM / one), 1, MostTimes);
            var mine = Math.Abs(times * one / lengthM - 1);
            // Of two that come as near, the one laid fewer times.
            if (mine < off - 1e-9 || best is not null && mine < off + 1e-9 && times < best.Times)
                (best, off) = (new(part, times), mine);
        }
        return best;
    }
}
