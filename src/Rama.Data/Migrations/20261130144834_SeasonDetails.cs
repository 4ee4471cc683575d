using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class SeasonDetails : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "details",
                table: "season_results",
                type: "json",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "details",
                table: "season_results");
        }
    }
}
