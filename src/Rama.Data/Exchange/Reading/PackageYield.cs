using System.Globalization;
using System.Text.RegularExpressions;
using Rama.Core.Quantities;

namespace Rama.Data.Exchange.Reading;

/// <summary>
/// Yields told in bins, boxes or bushels: what one holds differs from house to house, so a file's yields are taken by
/// mass once somebody, or a title of the file, has said it.
/// </summary>
internal static partial class PackageYield
{
    private static readonly string[] Packages = ["bin", "box", "bushel"];

    /// <summary>The package a unit counts, such as <c>bin</c> of <c>bin/ac</c>; null where it counts none.</summary>
    /// <param name="unit">The unit.</param>
    public static string? Of(string? unit) =>
        unit?.Split('/') is [var what, _] && Packages.Contains(what) ? what : null;

    /// <summary>The net mass of a package that a title or heading tells, as in <c>bin = 900 lb</c>.</summary>
    /// <param name="sheet">The file.</param>
    /// <param name="package">The package.</param>
    public static Amount? MassIn(Sheet sheet, string package) =>
        sheet
            .Titles.Concat(sheet.Headers)
            .SelectMany(t => MassLike().Matches(t))
            .Where(m => UnitWords.Find(m.Groups[1].Value) == package)
            .Select(m => new Amount(
                double.Parse(m.Groups[2].Value, CultureInfo.InvariantCulture),
                UnitWords.Find(m.Groups[3].Value)
            ))
            .FirstOrDefault(m => m.Unit is "lb" or "kg");

    /// <summary>A yield by mass.</summary>
    /// <param name="packages">Packages an acre, hectare or tree.</param>
    /// <param name="unit">Their unit, such as <c>bin/ac</c>.</param>
    /// <param name="mass">Net mass of one, in kg or lb.</param>
    public static Amount ByMass(double packages, string unit, Amount mass)
    {
        var per = unit.Split('/')[1];
        // An acre is told in pounds, a hectare in kilograms, a tree in either.
        var wanted = per switch
        {
            "ac" => "lb",
            "ha" => "kg",
            _ => mass.Unit!,
        };
        var each = mass.Value!.Value * Units.Mass[mass.Unit!].Factor / Units.Mass[wanted].Factor;
        return new(packages * each, $"{wanted}/{per}");
    }

    [GeneratedRegex(@"\b(\p{L}+)\s*(?:=|:|of|de|@|à|at)\s*(\d+(?:\.\d+)?)\s*(\p{L}+)")]
    private static partial Regex MassLike();
}
