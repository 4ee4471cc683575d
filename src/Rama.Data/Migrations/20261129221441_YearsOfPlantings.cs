using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261129221441_YearsOfPlantings")]
    internal sealed class YearsOfPlantings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "side_plans",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    start = table.Column<int>(type: "integer", nullable: false),
                    every_years = table.Column<int>(type: "integer", nullable: false),
                    change_from = table.Column<int>(type: "integer", nullable: true),
                    change_to = table.Column<int>(type: "integer", nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_side_plans", x => new { x.estate_id, x.planting_id });
                    table.CheckConstraint("ck_side_plans_cycle", "every_years between 1 and 2 and coalesce(change_to, 1) between 1 and 2 and (change_from is null) = (change_to is null) and change_from > start");
                    table.ForeignKey(
                        name: "fk_side_plans_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "young_trees",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    limbs = table.Column<double>(type: "double precision", nullable: true),
                    trees = table.Column<int>(type: "integer", nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    girth_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    girth_value = table.Column<double>(type: "double precision", nullable: true),
                    growth_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    growth_value = table.Column<double>(type: "double precision", nullable: true),
                    height_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    height_value = table.Column<double>(type: "double precision", nullable: true),
                    internode_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    internode_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_young_trees", x => new { x.estate_id, x.planting_id, x.season });
                    table.CheckConstraint("ck_young_trees_counts", "coalesce(limbs, 0) >= 0 and coalesce(trees, 1) > 0");
                    table.CheckConstraint("ck_young_trees_season", "season between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_young_trees_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.OpenByEstate("young_trees", "side_plans");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
