using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261129205650_YearsOfPlantings")]
    internal sealed class YearsOfPlantings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
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

            migrationBuilder.OpenByEstate("young_trees");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
