using Rama.Data.Exchange;
using Rama.Data.Exchange.Reading;

namespace Rama.Web.Exchange;

/// <summary>What can be imported, and how large a file may be.</summary>
/// <param name="Tables">The tables with their columns.</param>
/// <param name="MostBytes">Largest file.</param>
/// <param name="MostLines">Most lines of a file.</param>
public sealed record ImportOptions(IReadOnlyList<ImportTableView> Tables, int MostBytes, int MostLines);

/// <summary>A table that can be imported and exported.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Columns">Its columns.</param>
/// <param name="Also">Columns that fill a required one too, by that one.</param>
/// <param name="KeepsFree">Whether other columns may be kept as free ones, as a field <c>free:Name</c>.</param>
public sealed record ImportTableView(
    string Name,
    IReadOnlyList<ExchangeColumn> Columns,
    IReadOnlyDictionary<string, IReadOnlyList<string>> Also,
    bool KeepsFree
)
{
    internal static ImportTableView Of(ExchangeTable table) =>
        new(table.Name, table.Columns, table.Also, table.KeepsFree);
}

/// <summary>A file as it was read, with what Rama makes of it.</summary>
/// <param name="File">Name of the file.</param>
/// <param name="Headers">Its headers.</param>
/// <param name="Samples">The first lines, as text.</param>
/// <param name="Lines">Lines below the header.</param>
/// <param name="Notes">What was found on reading.</param>
/// <param name="Titles">Lines above the table.</param>
/// <param name="LeftOut">Lines that look like sums and remarks.</param>
/// <param name="Guess">The table it looks like, and which column is which.</param>
public sealed record FileView(
    string File,
    IReadOnlyList<string> Headers,
    IReadOnlyList<IReadOnlyList<string>> Samples,
    int Lines,
    IReadOnlyList<string> Notes,
    IReadOnlyList<string> Titles,
    IReadOnlyList<LeftOutLine> LeftOut,
    ImportMapping Guess
);

/// <summary>A step of an import told while it runs: how far it is, and at the end what became of it.</summary>
/// <param name="Progress">How far it is.</param>
/// <param name="Report">What became of it.</param>
/// <param name="Failure">Why it stopped; nothing is saved then.</param>
/// <param name="Ahead">Pieces of long work before it, while it waits for its turn.</param>
public sealed record ImportStep(
    ImportProgress? Progress = null,
    ImportReport? Report = null,
    string? Failure = null,
    int? Ahead = null
);
