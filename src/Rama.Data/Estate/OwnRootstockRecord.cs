using Rama.Core.Crops;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>A rootstock as the estate knows it.</summary>
public sealed class OwnRootstockRecord : OwnEntryRecord<Rootstock>
{
    /// <inheritdoc />
    public override HistoryPlace Place => new("rootstock", Detail: Name);
}
