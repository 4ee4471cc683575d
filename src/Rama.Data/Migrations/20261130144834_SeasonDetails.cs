using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261130144834_SeasonDetails")]
    internal sealed class SeasonDetails : Migration
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
