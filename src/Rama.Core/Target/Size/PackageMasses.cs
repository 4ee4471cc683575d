using Rama.Core.Quantities;

namespace Rama.Core.Target.Size;

/// <summary>
/// Net fruit mass of the packages yield and size are told in. Settings, since every packing house differs.
/// </summary>
/// <param name="BoxKg">Kilograms net in a box.</param>
/// <param name="BinKg">Kilograms net in a bin.</param>
/// <param name="BushelKg">Kilograms net in a bushel.</param>
public sealed record PackageMasses(double BoxKg, double BinKg, double BushelKg)
{
    /// <summary>
    /// A US apple tray-pack carton of 40 lb (common practice, no source), a bin of 300 kg and a bushel of 42 lb (from
    /// memory).
    /// </summary>
    public static readonly PackageMasses Default = new(40 * Units.KgPerPound, 300, 42 * Units.KgPerPound);
}
