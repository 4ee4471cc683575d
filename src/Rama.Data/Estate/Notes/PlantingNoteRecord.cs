using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Core.Estate;
using Rama.Data.Database;
using Rama.Data.History;

namespace Rama.Data.Estate.Notes;

/// <summary>A note somebody made at a planting.</summary>
public sealed class PlantingNoteRecord : IHistoried, IStamped
{
    /// <inheritdoc />
    public Guid EstateId { get; init; }

    /// <summary>Given by the device.</summary>
    public Guid Id { get; init; }

    /// <summary>The planting.</summary>
    [NotInHistory]
    public Guid PlantingId { get; init; }

    /// <summary>The same, where it was read with it.</summary>
    public PlantingRecord? Planting { get; init; }

    /// <inheritdoc cref="PlantingNote.Text" />
    public string Text { get; private set; } = "";

    /// <inheritdoc cref="PlantingNote.ComeBack" />
    public DateOnly? ComeBack { get; private set; }

    /// <inheritdoc cref="PlantingNote.InRow" />
    public bool InRow { get; private set; }

    /// <summary>Day it was done; null while it is open.</summary>
    public DateOnly? Done { get; set; }

    /// <summary>When it was made.</summary>
    [NotInHistory]
    public DateTimeOffset At { get; private set; }

    /// <summary>Who made it; null for Rama itself.</summary>
    [NotInHistory]
    public string? Person { get; private set; }

    /// <summary>PostgreSQL's row version; 0 while nothing is saved.</summary>
    public uint Version { get; private set; }

    HistoryPlace IHistoried.Place => new("note", PlantingId);

    void IStamped.Stamp(DateTimeOffset at, Author? by) =>
        // One of an archive keeps who made it and when.
        (At, Person) = At == default ? (at, by?.Name) : (At, Person);

    /// <summary>Takes over a note the core has read.</summary>
    public void TakeOver(PlantingNote note) => (Text, ComeBack, InRow) = (note.Text, note.ComeBack, note.InRow);

    /// <summary>The note as the core knows it.</summary>
    public PlantingNote ToNote() => new(Text, ComeBack, InRow);

    internal void MadeBefore(DateTimeOffset at, string? person) => (At, Person) = (at, person);
}

internal sealed class PlantingNoteConfiguration : IEntityTypeConfiguration<PlantingNoteRecord>
{
    public void Configure(EntityTypeBuilder<PlantingNoteRecord> builder)
    {
        builder.ToTable("planting_notes");
        builder.HasKey(n => new { n.EstateId, n.Id });
        builder.HasOne(n => n.Planting).WithMany().HasForeignKey(n => new { n.EstateId, n.PlantingId });
        builder.HasIndex(n => new { n.EstateId, n.ComeBack }).HasFilter("done is null and come_back is not null");
        builder.Property(n => n.Text).HasMaxLength(PlantingNoteEntry.LongestText);
        builder.Property(n => n.Person).HasMaxLength(100);
        builder.Property(n => n.Version).IsRowVersion();
    }
}
