using Rama.Data.Database;
using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class Counting : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "count_details",
                table: "season_plans",
                type: "json",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "measured",
                table: "season_plans",
                type: "text",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "details",
                table: "counted_trees",
                type: "json",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "field_entry_id",
                table: "counted_trees",
                type: "uuid",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "field_entries",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    device = table.Column<Guid>(type: "uuid", nullable: false),
                    sequence = table.Column<long>(type: "bigint", nullable: false),
                    kind = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    tree = table.Column<int>(type: "integer", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    received_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    supersedes = table.Column<Guid>(type: "uuid", nullable: true),
                    standing = table.Column<string>(type: "character varying(12)", maxLength: 12, nullable: false),
                    data = table.Column<string>(type: "json", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_field_entries", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_field_entries_place", "\"row\" between 1 and 9999 and coalesce(tree, 1) between 1 and 9999");
                    table.ForeignKey(
                        name: "fk_field_entries_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "photos",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: true),
                    tree = table.Column<int>(type: "integer", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    picture = table.Column<byte[]>(type: "bytea", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_photos", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_photos_size", "octet_length(picture) <= 900000");
                    table.ForeignKey(
                        name: "fk_photos_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "scan_rows",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    first_tree = table.Column<int>(type: "integer", nullable: false),
                    trunks_mm = table.Column<float[]>(type: "real[]", nullable: false),
                    limbs = table.Column<float[]>(type: "real[]", nullable: false),
                    buds = table.Column<float[]>(type: "real[]", nullable: false),
                    leaders = table.Column<int>(type: "integer", nullable: false),
                    leader_buds = table.Column<float[]>(type: "real[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_scan_rows", x => new { x.estate_id, x.planting_id, x.season, x.row });
                    table.CheckConstraint("ck_scan_rows_row", "\"row\" between 1 and 9999 and season between 1900 and 2200 and leaders between 0 and 12");
                    table.ForeignKey(
                        name: "fk_scan_rows_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_field_entries_estate_id_planting_id_season",
                table: "field_entries",
                columns: new[] { "estate_id", "planting_id", "season" });

            migrationBuilder.CreateIndex(
                name: "ix_photos_estate_id_planting_id_season",
                table: "photos",
                columns: new[] { "estate_id", "planting_id", "season" });
            migrationBuilder.OpenByEstate("scan_rows", "field_entries", "photos");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) => throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
