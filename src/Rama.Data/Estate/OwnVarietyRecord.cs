using Rama.Core.Crops;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>A variety as the estate knows it.</summary>
public sealed class OwnVarietyRecord : OwnEntryRecord<Variety>
{
    /// <inheritdoc />
    public override HistoryPlace Place => new("variety", Detail: Name);
}
