using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261202070521_NotesAndRemovedPlantings")]
    internal sealed class NotesAndRemovedPlantings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "caption",
                table: "photos",
                type: "character varying(200)",
                maxLength: 200,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "planting_notes",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    text = table.Column<string>(type: "character varying(500)", maxLength: 500, nullable: false),
                    come_back = table.Column<DateOnly>(type: "date", nullable: true),
                    in_row = table.Column<bool>(type: "boolean", nullable: false),
                    done = table.Column<DateOnly>(type: "date", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_planting_notes", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_planting_notes_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "removed_plantings",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    code = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    variety = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    site = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    block = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_removed_plantings", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_removed_plantings_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "removed_rows",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityAlwaysColumn),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    table = table.Column<string>(type: "character varying(63)", maxLength: 63, nullable: false),
                    told = table.Column<string>(type: "json", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_removed_rows", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_removed_rows_removed_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "removed_plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_planting_notes_estate_id_come_back",
                table: "planting_notes",
                columns: new[] { "estate_id", "come_back" },
                filter: "done is null and come_back is not null");

            migrationBuilder.CreateIndex(
                name: "ix_planting_notes_estate_id_planting_id",
                table: "planting_notes",
                columns: new[] { "estate_id", "planting_id" });

            migrationBuilder.CreateIndex(
                name: "ix_removed_rows_estate_id_planting_id",
                table: "removed_rows",
                columns: new[] { "estate_id", "planting_id" });

            migrationBuilder.OpenByEstate("planting_notes", "removed_plantings", "removed_rows");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
