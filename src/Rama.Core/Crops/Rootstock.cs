namespace Rama.Core.Crops;

/// <summary>A rootstock of the catalogue.</summary>
/// <param name="Name">Name of the rootstock.</param>
/// <param name="Crop">Crop grown on it.</param>
/// <param name="VigourPercent">Size of the tree on it, per cent of one on seedling.</param>
/// <param name="Precocity">When trees on it begin to bear.</param>
/// <param name="Hardiness">How it stands winter cold.</param>
/// <param name="Suckering">How much it suckers.</param>
/// <param name="Source">Where this comes from.</param>
/// <param name="AlsoFor">Other crops it is a stock for.</param>
public sealed record Rootstock(
    string Name,
    string Crop,
    Sourced VigourPercent,
    Precocity Precocity,
    Hardiness Hardiness,
    Suckering Suckering,
    string Source,
    IReadOnlyList<string>? AlsoFor = null
)
{
    /// <summary>Whether a crop is grown on it.</summary>
    public bool IsFor(string crop) => Crop == crop || AlsoFor?.Contains(crop) == true;

    /// <summary>The rootstock as it would be typed.</summary>
    public RootstockEntry ToEntry() =>
        new()
        {
            Name = Name,
            Crop = Crop,
            VigourPercent = VigourPercent.Value,
            Precocity = Precocity,
            Hardiness = Hardiness,
            Suckering = Suckering,
        };
}

/// <summary>When trees begin to bear.</summary>
public enum Precocity
{
    /// <summary>Early.</summary>
    Early,

    /// <summary>In between.</summary>
    Moderate,

    /// <summary>Late.</summary>
    Late,
}

/// <summary>How winter cold is stood.</summary>
public enum Hardiness
{
    /// <summary>Badly.</summary>
    Tender,

    /// <summary>Fairly.</summary>
    Moderate,

    /// <summary>Well.</summary>
    Hardy,
}

/// <summary>How much a rootstock suckers.</summary>
public enum Suckering
{
    /// <summary>Hardly.</summary>
    Few,

    /// <summary>Somewhat.</summary>
    Some,

    /// <summary>Much.</summary>
    Many,
}
