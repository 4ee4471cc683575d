using Rama.Data.Database;
using System;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class OrchardBook : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "block_id",
                table: "plantings",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "changed_at",
                table: "plantings",
                type: "timestamp with time zone",
                nullable: false,
                defaultValue: new DateTimeOffset(new DateTime(1, 1, 1, 0, 0, 0, 0, DateTimeKind.Unspecified), new TimeSpan(0, 0, 0, 0, 0)));

            migrationBuilder.CreateTable(
                name: "batches",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    table = table.Column<string>(type: "character varying(30)", maxLength: 30, nullable: false),
                    file = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    added = table.Column<int>(type: "integer", nullable: false),
                    changed = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_batches", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_batches_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "changes",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityAlwaysColumn),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    batch_id = table.Column<Guid>(type: "uuid", nullable: true),
                    subject = table.Column<string>(type: "character varying(30)", maxLength: 30, nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: true),
                    season = table.Column<int>(type: "integer", nullable: true),
                    detail = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    field = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    old = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: true),
                    @new = table.Column<string>(name: "new", type: "character varying(2000)", maxLength: 2000, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_changes", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_changes_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "data_protection_keys",
                columns: table => new
                {
                    id = table.Column<int>(type: "integer", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    friendly_name = table.Column<string>(type: "text", nullable: true),
                    xml = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_data_protection_keys", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "people",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: false),
                    units = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    language = table.Column<string>(type: "character varying(5)", maxLength: 5, nullable: false),
                    user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    password_hash = table.Column<string>(type: "text", nullable: true),
                    security_stamp = table.Column<string>(type: "text", nullable: true),
                    concurrency_stamp = table.Column<string>(type: "text", nullable: true),
                    phone_number = table.Column<string>(type: "text", nullable: true),
                    phone_number_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    two_factor_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    lockout_end = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    lockout_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    access_failed_count = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_people", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "planting_rows",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    first_tree = table.Column<int>(type: "integer", nullable: false),
                    trees = table.Column<int>(type: "integer", nullable: false),
                    missing = table.Column<int[]>(type: "integer[]", nullable: false),
                    replants = table.Column<int[]>(type: "integer[]", nullable: false),
                    pollinizers = table.Column<int[]>(type: "integer[]", nullable: false),
                    to_grub = table.Column<int[]>(type: "integer[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_planting_rows", x => new { x.estate_id, x.planting_id, x.row, x.first_tree });
                    table.CheckConstraint("ck_planting_rows_row", "\"row\" between 1 and 9999 and first_tree between 1 and 9999 and trees between 1 and 5000");
                    table.ForeignKey(
                        name: "fk_planting_rows_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "season_results",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    green_tip = table.Column<DateOnly>(type: "date", nullable: true),
                    fruit_size_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    fruit_size_value = table.Column<double>(type: "double precision", nullable: true),
                    pack_out_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    pack_out_value = table.Column<double>(type: "double precision", nullable: true),
                    yield_unit = table.Column<string>(type: "character varying(16)", maxLength: 16, nullable: true),
                    yield_value = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_season_results", x => new { x.estate_id, x.planting_id, x.season });
                    table.CheckConstraint("ck_season_results_amounts", "coalesce(yield_value, 0) >= 0 and coalesce(fruit_size_value, 0) >= 0 and coalesce(pack_out_value, 0) >= 0");
                    table.CheckConstraint("ck_season_results_season", "season between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_season_results_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "sites",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_sites", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_sites_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "trunk_rows",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    girths_cm = table.Column<float[]>(type: "real[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_trunk_rows", x => new { x.estate_id, x.planting_id, x.season, x.row });
                    table.CheckConstraint("ck_trunk_rows_row", "\"row\" between 1 and 9999 and season between 1900 and 2200");
                    table.ForeignKey(
                        name: "fk_trunk_rows_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "memberships",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    role = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_memberships", x => new { x.estate_id, x.person_id });
                    table.CheckConstraint("ck_memberships_role", "role in ('Reader', 'Counter', 'CrewLead', 'Manager')");
                    table.ForeignKey(
                        name: "fk_memberships_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_memberships_users_person_id",
                        column: x => x.person_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_claims",
                columns: table => new
                {
                    id = table.Column<int>(type: "integer", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    claim_type = table.Column<string>(type: "text", nullable: true),
                    claim_value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_claims", x => x.id);
                    table.ForeignKey(
                        name: "fk_person_claims_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_logins",
                columns: table => new
                {
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    provider_key = table.Column<string>(type: "text", nullable: false),
                    provider_display_name = table.Column<string>(type: "text", nullable: true),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_logins", x => new { x.login_provider, x.provider_key });
                    table.ForeignKey(
                        name: "fk_person_logins_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_tokens",
                columns: table => new
                {
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_tokens", x => new { x.user_id, x.login_provider, x.name });
                    table.ForeignKey(
                        name: "fk_person_tokens_asp_net_users_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "blocks",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    site_id = table.Column<Guid>(type: "uuid", nullable: false),
                    code = table.Column<string>(type: "character varying(12)", maxLength: 12, nullable: false),
                    outline = table.Column<string>(type: "jsonb", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_blocks", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_blocks_sites_estate_id_site_id",
                        columns: x => new { x.estate_id, x.site_id },
                        principalTable: "sites",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.CreateTable(
                name: "row_lines",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    block_id = table.Column<Guid>(type: "uuid", nullable: false),
                    row = table.Column<int>(type: "integer", nullable: false),
                    coordinates = table.Column<double[]>(type: "double precision[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_row_lines", x => new { x.estate_id, x.block_id, x.row });
                    table.CheckConstraint("ck_row_lines_row", "\"row\" between 1 and 9999");
                    table.ForeignKey(
                        name: "fk_row_lines_blocks_estate_id_block_id",
                        columns: x => new { x.estate_id, x.block_id },
                        principalTable: "blocks",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_plantings_estate_id_block_id",
                table: "plantings",
                columns: new[] { "estate_id", "block_id" });

            migrationBuilder.CreateIndex(
                name: "ix_blocks_estate_id_code",
                table: "blocks",
                columns: new[] { "estate_id", "code" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_blocks_estate_id_site_id",
                table: "blocks",
                columns: new[] { "estate_id", "site_id" });

            migrationBuilder.CreateIndex(
                name: "ix_changes_estate_id_planting_id_id",
                table: "changes",
                columns: new[] { "estate_id", "planting_id", "id" });

            migrationBuilder.CreateIndex(
                name: "ix_memberships_person_id",
                table: "memberships",
                column: "person_id");

            migrationBuilder.CreateIndex(
                name: "EmailIndex",
                table: "people",
                column: "normalized_email");

            migrationBuilder.CreateIndex(
                name: "UserNameIndex",
                table: "people",
                column: "normalized_user_name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_person_claims_user_id",
                table: "person_claims",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_person_logins_user_id",
                table: "person_logins",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_sites_estate_id_name",
                table: "sites",
                columns: new[] { "estate_id", "name" },
                unique: true);

            // Until now a planting was its block: each gets one of its code, on a site named after its estate.
            migrationBuilder.Sql("""
                insert into sites (estate_id, id, name)
                    select distinct e.id, gen_random_uuid(), left(e.name, 60) from estates e where exists (select 1 from plantings p where p.estate_id = e.id);
                insert into blocks (estate_id, id, site_id, code)
                    select p.estate_id, gen_random_uuid(), s.id, p.code from plantings p join sites s on s.estate_id = p.estate_id;
                update plantings p set block_id = b.id from blocks b where b.estate_id = p.estate_id and b.code = p.code;
                alter table plantings alter column block_id set not null;
                """);

            migrationBuilder.AddForeignKey(
                name: "fk_plantings_blocks_estate_id_block_id",
                table: "plantings",
                columns: new[] { "estate_id", "block_id" },
                principalTable: "blocks",
                principalColumns: new[] { "estate_id", "id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.Prepare();
            migrationBuilder.Open("people", "person_claims", "person_logins", "person_tokens", "data_protection_keys");
            migrationBuilder.OpenByEstate(
                "sites", "blocks", "row_lines", "plantings", "planting_rows", "trunk_rows", "season_plans", "counted_trees", "season_results");
            // The history is written once.
            migrationBuilder.OpenWhere("changes", "estate_id = rama_estate()", rights: "select, insert");
            migrationBuilder.OpenWhere("batches", "estate_id = rama_estate()", rights: "select, insert, update");
            // Signing in asks which estates a person belongs to before one is chosen.
            migrationBuilder.OpenWhere("memberships", "estate_id = rama_estate() or person_id = rama_person()");
            migrationBuilder.OpenWhere("estates", "id = rama_estate() or exists (select 1 from memberships m where m.estate_id = estates.id and m.person_id = rama_person())");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) => throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
