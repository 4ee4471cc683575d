using Rama.Core.Crops;
using Rama.Core.Estate;
using Rama.Core.Explain;

namespace Rama.Core.Tests.Estate;

public sealed class CatalogueTests
{
    private static VarietyEntry Elstar => Catalogue.Shipped.Variety("Elstar")!.ToEntry();

    // GF 677 carries peach and almond; measuring it anew takes neither away (common practice, no source).
    [Fact]
    public void A_shipped_rootstock_an_estate_changes_stays_a_stock_of_its_other_crops()
    {
        var shipped = Catalogue.Shipped.Rootstock("GF 677")!;
        var changed = (shipped.ToEntry() with { VigourPercent = 60, Source = null }).Read();
        Assert.All(["peach", "almond"], crop => Assert.True(changed.IsFor(crop)));
    }

    // Handbook 4.2: only these names, all long public.
    [Fact]
    public void The_names_are_those_agreed()
    {
        Assert.Equal(
            [
                "Elstar",
                "Jonagold",
                "Topaz",
                "Idared",
                "Pinova",
                "Fuji",
                "Conference",
                "Comice",
                "Abate",
                "Kordia",
                "Burlat",
                "Van",
                "Stella",
                "Redhaven",
                "Cresthaven",
                "Nonpareil",
                "Carmel",
                "Eureka",
                "Lisbon",
                "Brewster",
                "Mauritius",
                "Bacon",
                "Fuerte",
            ],
            Catalogue.Shipped.Varieties.Select(v => v.Name)
        );
        Assert.Equal(
            [
                "Carrizo",
                "Colt",
                "GF 677",
                "Lovell",
                "M.26",
                "M.27",
                "M.9",
                "MM.106",
                "MaxMa 14",
                "OHF 87",
                "Quince C",
                "Tabel Edabriz",
                "Weiroot 158",
                "own roots",
                "seedling",
            ],
            Catalogue.Shipped.Rootstocks.Select(r => r.Name).Order(StringComparer.Ordinal)
        );
    }

    // Handbook 2.3 [memory: extension guides]: 4 to 6 fruit/cm² biennial-prone, 6 to 8 typical.
    [Fact]
    public void Biennial_varieties_carry_less() =>
        Assert.All(Catalogue.Shipped.Varieties.Where(v => v.CropDensityLow is not null), v =>
            Assert.Equal(
                v.Traits.BiennialProne ? (4.0, 6.0) : (6.0, 8.0),
                (v.CropDensityLow!.Value, v.CropDensityHigh!.Value)
            )
        );

    // Common practice, no source: dwarfing rises from M.27 over M.9 and M.26 to MM.106.
    [Fact]
    public void Apple_stocks_are_in_their_known_order()
    {
        var size = new[] { "M.27", "M.9", "M.26", "MM.106" }
            .Select(n => Catalogue.Shipped.Rootstock(n)!.VigourPercent.Value)
            .ToList();
        Assert.Equal(size.Order(), size);
    }

    [Fact]
    public void Every_number_says_where_it_comes_from() =>
        Assert.All(
            Catalogue
                .Shipped.Varieties.SelectMany(v =>
                    new[] { v.CropDensityLow, v.CropDensityHigh, v.SetShare, v.SetShareSd, v.FruitMassG }
                )
                .OfType<Sourced>(),
            n => Assert.False(string.IsNullOrWhiteSpace(n.Source))
        );

    [Fact]
    public void A_copy_keeps_the_source_of_what_stays_and_names_that_of_what_changes()
    {
        var own = (Elstar with { SetShare = 0.7, Source = "three seasons of H2" }).Read();
        Assert.Equal(new(0.7, "three seasons of H2"), own.SetShare);
        Assert.Equal(Catalogue.Shipped.Variety("Elstar")!.FruitMassG, own.FruitMassG);
        Assert.Equal(0.7, Catalogue.Shipped.With([own], []).Variety("Elstar")!.SetShare.Value);
        Assert.Equal(Catalogue.Shipped.Varieties.Count, Catalogue.Shipped.With([own], []).Varieties.Count);
    }

    [Fact]
    public void An_unchanged_copy_is_the_shipped_one() =>
        Assert.Equal(Catalogue.Shipped.Variety("Elstar"), Elstar.Read());

    [Fact]
    public void What_cannot_be_is_told_at_its_field()
    {
        static string[] Fields(VarietyEntry entry) =>
            [.. Assert.Throws<UnusableEntryException>(entry.Read).Problems.Select(p => p.Field)];
        Assert.Equal(["setShare"], Fields(Elstar with { SetShare = 1.2 }));
        Assert.Equal(["cropDensityHigh"], Fields(Elstar with { CropDensityLow = 7, CropDensityHigh = 6 }));
        Assert.Equal(["cropDensityLow"], Fields(Elstar with { CropDensityLow = null }));
        Assert.Equal(["crop"], Fields(Elstar with { Crop = "pear" }));
        Assert.Equal(["crop"], Fields(Elstar with { Name = "Seedling 7", Crop = null }));
        Assert.Equal(["fruitMassG", "name"], Fields(Elstar with { Name = " ", FruitMassG = null }).Order());
    }

    [Fact]
    public void A_rootstock_too_can_be_known_better()
    {
        var shipped = Catalogue.Shipped.Rootstock("M.26")!;
        Assert.Equal(shipped, shipped.ToEntry().Read());
        var own = (shipped.ToEntry() with { VigourPercent = 40, Source = "block W1" }).Read();
        Assert.Equal((new Sourced(40, "block W1"), shipped.Source), (own.VigourPercent, own.Source));
        Assert.Equal(40, Catalogue.Shipped.With([], [own]).Rootstock("M.26")!.VigourPercent.Value);
        Assert.Equal(
            ["vigourPercent"],
            Assert
                .Throws<UnusableEntryException>((shipped.ToEntry() with { VigourPercent = 200 }).Read)
                .Problems.Select(p => p.Field)
        );
    }
}
