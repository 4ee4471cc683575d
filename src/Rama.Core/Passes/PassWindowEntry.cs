using Rama.Core.Explain;
using Rama.Core.Weather;

namespace Rama.Core.Passes;

/// <summary>A pass, a crop and a day its year hangs on, as typed.</summary>
public sealed record PassWindowEntry
{
    /// <summary>Identifier of the pass, such as <c>major</c>.</summary>
    public string? Pass { get; init; }

    /// <summary>Crop, such as <c>apple</c>.</summary>
    public string? Crop { get; init; }

    /// <summary>Green tip; no estimate when left out.</summary>
    public DateOnly? GreenTip { get; init; }

    /// <summary>Works it out.</summary>
    /// <exception cref="UnusableEntryException">Names every field that cannot be used.</exception>
    public PassWindow Calculate()
    {
        var reader = new EntryReader();
        var pass = PassDefinition.Find(Pass ?? "");
        if (pass is null)
            reader.Add("pass", "unknown", "Pass: please choose one.");
        if (Crop is null || AnchorDays.UsualDays(Crop, Anchor.Bloom) is null)
            reader.Add("crop", "unknown", "Crop: please choose one.");
        reader.ThrowIfAny();
        var tip = GreenTip is { } day ? new GreenTip(day, 1, GreenTipBasis.Planting) : null;
        var days = AnchorDays.Of(Crop!, tip);
        var followed = pass!.Window.AfterPass.Select(PassDefinition.Find).FirstOrDefault(p => p is not null);
        return PassWindow.Of(pass.Window, days, followed is null ? null : PassWindow.Of(followed.Window, days));
    }
}
