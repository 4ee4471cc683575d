using Rama.Core.Target.Margin;
using Rama.Data.History;

namespace Rama.Data.Estate;

/// <summary>What the fruit of a variety bring and cost on the estate; its name is the variety's.</summary>
public sealed class OwnPriceListRecord : OwnEntryRecord<PriceListEntry>
{
    /// <inheritdoc />
    public override HistoryPlace Place => new("prices", Detail: Name);
}
