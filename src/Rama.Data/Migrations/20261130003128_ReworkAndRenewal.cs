using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261130003128_ReworkAndRenewal")]
    internal sealed class ReworkAndRenewal : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "ribbons",
                table: "estates",
                type: "json",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "limb_renewals",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    limbs = table.Column<double>(type: "double precision", nullable: true),
                    scaffold = table.Column<int>(type: "integer", nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_limb_renewals", x => new { x.estate_id, x.planting_id, x.season });
                    table.CheckConstraint("ck_limb_renewals_counts", "coalesce(limbs, 0) >= 0 and coalesce(scaffold, 1) between 1 and 12");
                    table.CheckConstraint("ck_limb_renewals_season", "season between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_limb_renewals_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "removals",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_removals", x => new { x.estate_id, x.planting_id });
                    table.CheckConstraint("ck_removals_season", "season between 1900 and 2240");
                    table.ForeignKey(
                        name: "fk_removals_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "reworked_trees",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    tree = table.Column<int>(type: "integer", nullable: false),
                    variety = table.Column<string>(type: "text", nullable: false),
                    graft = table.Column<string>(type: "text", nullable: true),
                    grafted_on = table.Column<DateOnly>(type: "date", nullable: true),
                    union = table.Column<string>(type: "text", nullable: true),
                    support = table.Column<bool>(type: "boolean", nullable: true),
                    guard = table.Column<bool>(type: "boolean", nullable: true),
                    true_to_name = table.Column<int>(type: "integer", nullable: true),
                    done_season = table.Column<int>(type: "integer", nullable: true),
                    finished = table.Column<bool>(type: "boolean", nullable: true),
                    note = table.Column<string>(type: "text", nullable: true),
                    field_entry_id = table.Column<Guid>(type: "uuid", nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    girth_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    girth_value = table.Column<double>(type: "double precision", nullable: true),
                    height_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    height_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_reworked_trees", x => new { x.estate_id, x.planting_id, x.row, x.tree });
                    table.CheckConstraint("ck_reworked_trees_place", "row between 1 and 9999 and tree between 1 and 9999");
                    table.ForeignKey(
                        name: "fk_reworked_trees_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.OpenByEstate("limb_renewals", "reworked_trees", "removals");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
