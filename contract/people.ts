import 'reflect-metadata/lite';
import { Transform } from 'class-transformer';
import {
  IsIn,
  IsNotEmpty,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  MaxLength,
  MinLength,
} from 'class-validator';
import { ROLES, type Role } from './account';

/** Long enough that guessing is hopeless, short enough that nobody sends a book to be hashed (OWASP ASVS 4.0.3, 2.1.1 and 2.1.2). */
const PASSWORD = { least: 12, most: 128 };
const IsPassword = (): PropertyDecorator => (target, key) => {
  IsString()(target, key);
  MinLength(PASSWORD.least, {
    message: `must have ${PASSWORD.least} letters or more; four words make a good one`,
  })(target, key);
  MaxLength(PASSWORD.most)(target, key);
};

const IsAddress = (): PropertyDecorator => (target, key) => {
  Transform(({ value }: { value: unknown }) =>
    typeof value === 'string' ? value.trim().toLowerCase() : value,
  )(target, key);
  // What a person signs in with: that mail gets there nobody tries, so that its shape is enough.
  Matches(/^[^\s@]+@[^\s@.]+(\.[^\s@.]+)+$/, {
    message: 'must be an e-mail address, such as kim@shop.example',
  })(target, key);
  IsString()(target, key);
  MaxLength(120)(target, key);
};

const IsName =
  (what: string): PropertyDecorator =>
  (target, key) => {
    Transform(({ value }: { value: unknown }) =>
      typeof value === 'string' ? value.trim() : value,
    )(target, key);
    IsNotEmpty({ message: what })(target, key);
    IsString()(target, key);
    MaxLength(60)(target, key);
  };

export class SignInDto {
  @IsAddress()
  email!: string;

  // Whatever was accepted once is tried; what is no password is told as a wrong one.
  @IsString()
  @MaxLength(PASSWORD.most)
  password!: string;
}

/** Somebody new: how they are called and how they sign in. */
export class NewPersonDto {
  @IsName('say how you are called')
  name!: string;

  @IsAddress()
  email!: string;

  @IsPassword()
  password!: string;
}

/** A shop with its first lead. */
export class NewShopDto extends NewPersonDto {
  @IsName('say how the shop is called')
  shopName!: string;
}

/** What is in a link that lets somebody in. */
export class LinkDto {
  @IsString()
  @MaxLength(200)
  link!: string;
}

export class JoinDto extends NewPersonDto {
  @IsString()
  @MaxLength(200)
  link!: string;
}

/** A new password by a link that a lead has made. */
export class ResetDto extends LinkDto {
  @IsPassword()
  password!: string;
}

export class PasswordDto {
  @IsString()
  @MaxLength(PASSWORD.most)
  now!: string;

  @IsPassword()
  next!: string;
}

/** A link for somebody new in a role, or one by which somebody gets a new password. */
export class NewInvitationDto {
  @IsOptional()
  @IsIn(ROLES)
  role?: Role;

  @IsOptional()
  @IsUUID()
  person?: string;
}

export class RoleDto {
  @IsIn(ROLES)
  role!: Role;
}

/** Somebody of a shop, as its leads see them. */
export interface Person {
  id: string;
  name: string;
  email: string;
  role: Role;
  since: string;
  /** When they were signed in last; null for never. */
  lastSignIn: string | null;
}

/** An invitation that still works. */
export interface Invitation {
  id: string;
  role: Role;
  /** Whose new password it is for; null for somebody new. */
  person: string | null;
  expiresAt: string;
}

/** What a link that lets somebody in is for. */
export interface LinkSaid {
  shopName: string;
  role: Role;
  /** Who gets a new password by it; null for somebody new. */
  name: string | null;
}

/** A line of the record of the door. */
export interface AuditLine {
  id: string;
  at: string;
  /** Who did it; null for nobody who was signed in. */
  name: string | null;
  what: string;
  about: string | null;
  address: string | null;
}
