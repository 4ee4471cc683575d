using Rama.Data.Exchange;
using Rama.Data.Exchange.Reading;

namespace Rama.Web.Tests;

/// <summary>
/// Five files of five hands, made up before there was code to read them: what each column is and in which unit, read
/// by eye from the files themselves.
/// </summary>
public sealed class MessyFileTests
{
    private static Sheet Read(string name) =>
        SheetReader.Read(
            name,
            File.ReadAllBytes(RamaApplication.RepositoryFile($"tests/Rama.Web.Tests/Files/messy/{name}")),
            TestContext.Current.CancellationToken
        );

    [Theory]
    [InlineData(
        "us-packing-house.csv",
        "plantings",
        "site=Ranch block=Blk # name=Block Name crop=Commodity variety=Variety rootstock=Rootstock system=Training "
            + "yearPlanted=Yr Pltd rowSpacing=Row Spc (ft)|ft treeSpacing=Tree Spc (ft)|ft area=Acres|ac trees=# Trees",
        3
    )]
    [InlineData(
        "european-cooperative.csv",
        "plantings",
        "block=Quarter variety=Sort rootstock=Stock yearPlanted=Yr pl. rowSpacing=Row dist.|cm "
            + "treeSpacing=Dist. in row|cm area=Surface|ha trees=Pieces",
        1
    )]
    [InlineData(
        "spanish.csv",
        "plantings",
        "site=Predio block=Cuartel crop=Especie variety=Variedad rootstock=Portainj. yearPlanted=Año pl. "
            + "spacing=Marco|m area=Sup.|ha trees=N° plantas",
        1
    )]
    [InlineData(
        "years-as-columns.csv",
        "seasons",
        "code=Block yield=2021|bin/ac yield=2022|bin/ac yield=2023|bin/ac yield=2024|bin/ac yield=2025|bin/ac",
        0
    )]
    [InlineData(
        "notes.xlsx",
        "plantings",
        "site=Farm block=Parcel crop=Crop variety=Cultivar rootstock=Stock yearPlanted=year system=system "
            + "rowSpacing=between rows|m treeSpacing=between trees|m area=size|ha trees=no. of trees",
        2
    )]
    public void Columns_and_units_are_found(string file, string table, string columns, int leftOut)
    {
        var sheet = Read(file);
        var guess = MappingGuess.Of(sheet);
        Assert.Equal(table, guess.Table);
        Assert.Equal(
            columns
                .Split(' ')
                .Aggregate("", (all, part) => part.Contains('=') ? $"{all}\n{part}" : $"{all} {part}")
                .Trim()
                .Split('\n')
                .Order(),
            guess
                .Columns.Select(c =>
                    $"{c.Field}={sheet.Headers[c.Column]}{(c.Unit is null ? "" : "|" + c.Unit)}{(c.UnitFrom == UnitSource.Open ? "?" : "")}"
                )
                .Order()
        );
        Assert.Equal(leftOut, guess.LeftOut.Count);
    }
}
