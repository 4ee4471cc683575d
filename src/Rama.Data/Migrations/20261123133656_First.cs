using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class First : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "estates",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    today = table.Column<DateOnly>(type: "date", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_estates", x => x.id);
                    table.CheckConstraint("ck_estates_season", "season between 1900 and 2200");
                });

            migrationBuilder.CreateTable(
                name: "plantings",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    code = table.Column<string>(type: "character varying(12)", maxLength: 12, nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    variety = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    rootstock = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    system = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    year_planted = table.Column<int>(type: "integer", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    area_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    area_value = table.Column<double>(type: "double precision", nullable: true),
                    missing_share_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    missing_share_value = table.Column<double>(type: "double precision", nullable: true),
                    pollinizer_share_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    pollinizer_share_value = table.Column<double>(type: "double precision", nullable: true),
                    row_spacing_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    row_spacing_value = table.Column<double>(type: "double precision", nullable: true),
                    tree_spacing_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    tree_spacing_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_plantings", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_plantings_shares", "coalesce(missing_share_value, 0) >= 0 and coalesce(pollinizer_share_value, 0) >= 0");
                    table.CheckConstraint("ck_plantings_spacing", "row_spacing_value > 0 and tree_spacing_value > 0 and area_value > 0");
                    table.CheckConstraint("ck_plantings_year_planted", "year_planted between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_plantings_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "season_plans",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    bud_factor = table.Column<double>(type: "double precision", nullable: true),
                    limbs_per_tree = table.Column<double>(type: "double precision", nullable: true),
                    changed_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    bin_mass_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    bin_mass_value = table.Column<double>(type: "double precision", nullable: true),
                    box_mass_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    box_mass_value = table.Column<double>(type: "double precision", nullable: true),
                    bushel_mass_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    bushel_mass_value = table.Column<double>(type: "double precision", nullable: true),
                    cap_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    cap_value = table.Column<double>(type: "double precision", nullable: true),
                    floral_share_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    floral_share_value = table.Column<double>(type: "double precision", nullable: true),
                    fruit_size_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    fruit_size_value = table.Column<double>(type: "double precision", nullable: true),
                    pack_out_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    pack_out_value = table.Column<double>(type: "double precision", nullable: true),
                    tolerance_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    tolerance_value = table.Column<double>(type: "double precision", nullable: true),
                    yield_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    yield_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_season_plans", x => new { x.estate_id, x.planting_id, x.season });
                    table.CheckConstraint("ck_season_plans_bud_factor", "bud_factor between 1 and 6");
                    table.CheckConstraint("ck_season_plans_season", "season between 1900 and 2200");
                    table.CheckConstraint("ck_season_plans_target", "yield_value > 0 and fruit_size_value > 0 and pack_out_value > 0");
                    table.ForeignKey(
                        name: "fk_season_plans_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "counted_trees",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    tree = table.Column<int>(type: "integer", nullable: false),
                    line = table.Column<int>(type: "integer", nullable: false),
                    limbs = table.Column<int>(type: "integer", nullable: true),
                    floral_buds = table.Column<int>(type: "integer", nullable: true),
                    buds = table.Column<int>(type: "integer", nullable: true),
                    girth_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    girth_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_counted_trees", x => new { x.estate_id, x.planting_id, x.season, x.row, x.tree });
                    table.CheckConstraint("ck_counted_trees_counts", "coalesce(limbs, 0) >= 0 and coalesce(floral_buds, 0) >= 0 and coalesce(buds, 0) >= 0");
                    table.ForeignKey(
                        name: "fk_counted_trees_season_plans_estate_id_planting_id_season",
                        columns: x => new { x.estate_id, x.planting_id, x.season },
                        principalTable: "season_plans",
                        principalColumns: new[] { "estate_id", "planting_id", "season" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_plantings_estate_id_code",
                table: "plantings",
                columns: new[] { "estate_id", "code" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "counted_trees");

            migrationBuilder.DropTable(
                name: "season_plans");

            migrationBuilder.DropTable(
                name: "plantings");

            migrationBuilder.DropTable(
                name: "estates");
        }
    }
}
