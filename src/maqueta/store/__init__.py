"""The database: models, migrations, repositories. Every query is scoped to what an account may see."""
